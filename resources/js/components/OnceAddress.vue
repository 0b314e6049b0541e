<script setup lang="ts">
import { ElButton, ElMessage } from 'element-plus'

/** An address that is shown this once, to be copied. */
const props = defineProps<{ address: string; label: string }>()

async function copy(): Promise<void> {
    try {
        await navigator.clipboard.writeText(props.address)
        ElMessage.success('The address is on the clipboard.')
    } catch {
        ElMessage.warning('This browser does not let us copy. Select the address and copy it by hand.')
    }
}

function select(event: FocusEvent): void {
    ;(event.target as HTMLInputElement).select()
}
</script>

<template>
    <div class="row">
        <input class="link-address" :value="address" readonly :aria-label="label" @focus="select">
        <ElButton @click="copy">Copy</ElButton>
    </div>
</template>
