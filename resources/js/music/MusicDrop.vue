<script setup lang="ts">
import { ElUpload } from 'element-plus'
import { computed, nextTick, ref } from 'vue'

/** Where music files are chosen or dropped: one, or one a part. */
const props = defineProps<{ files: File[]; small: boolean; words: string }>()
const emit = defineEmits<{ take: [files: File[]] }>()

const upload = ref<InstanceType<typeof ElUpload> | null>(null)
/** Files of one choice come one after the other. */
let coming: File[] = []
const named = computed(() => (props.files.length === 1 ? props.files[0]?.name : `${props.files.length} files: ${props.files.map(({ name }) => name).join(', ')}`))

async function collect(file: File | undefined): Promise<void> {
    if (!file) {
        return
    }
    coming.push(file)
    if (coming.length > 1) {
        return
    }
    await nextTick()
    // The same file may be chosen again, when it was mended.
    const input = upload.value?.$el.querySelector('input')
    if (input instanceof HTMLInputElement) {
        input.value = ''
    }
    upload.value?.clearFiles()
    const all = coming
    coming = []
    emit('take', all)
}
</script>

<template>
    <ElUpload ref="upload" class="drop" :class="{ small }" drag multiple name="file" accept=".musicxml,.xml,.mxl,.abc" :auto-upload="false" :show-file-list="false" :on-change="(chosen) => collect(chosen.raw)">
        <strong>{{ files.length > 0 ? named : words }}</strong>
        <span class="quiet">{{ files.length > 0 ? 'Choose or drop other files to read those instead.' : 'or drop them here: MusicXML (.musicxml, .xml, .mxl) or ABC (.abc), up to 20 MB each; several files, one a part, become one piece. Nothing is kept until you say so.' }}</span>
    </ElUpload>
</template>
