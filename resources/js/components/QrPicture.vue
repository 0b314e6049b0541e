<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { qrCode } from '../page/qr'
import { element } from '../page/svg'

/** An address as a code that a telephone reads, drawn here. */
const props = defineProps<{ address: string }>()
const host = ref<HTMLElement>()

function draw(): void {
    host.value?.replaceChildren(element('svg', { viewBox: '0 0 600 600', width: 150, height: 150, role: 'img', 'aria-label': 'The address as a QR code' }, qrCode(props.address, 600)))
}

onMounted(draw)
watch(() => props.address, draw)
</script>

<template>
    <div ref="host" class="qr-picture" />
</template>
