<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import type { Sign } from '../page/signs'

/** A sign of the pencil, among words that say the same. */
const props = defineProps<{ sign: Sign }>()

const host = ref<SVGSVGElement>()
const draw = () => host.value?.replaceChildren(props.sign.drawing)

watch(() => props.sign, draw)
onMounted(draw)
</script>

<template>
    <svg ref="host" class="sign-picture" :viewBox="`${-sign.width / 2 - 20} -440 ${sign.width + 40} 500`" fill="currentColor" stroke="currentColor" aria-hidden="true" />
</template>
