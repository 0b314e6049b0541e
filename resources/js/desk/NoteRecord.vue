<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { api } from '../api/client'
import type { Note, RecordLine } from '../api/types'
import { useDesk } from '../stores/desk'
import { timeWords } from '../stores/days'

/** Who decided what is decided on the chosen note, when, and why. */
const props = defineProps<{ note: Note | null; begin: Note | null }>()

/** Milliseconds that a note is looked at before its record is fetched: whoever walks by asks for nothing. */
const STAYS_MS = 450

const desk = useDesk()
const lines = shallowRef<RecordLine[]>([])
let timer = 0
let order = 0

watch(
    () => [props.note?.id, props.begin?.id, desk.marking?.state],
    () => {
        clearTimeout(timer)
        lines.value = []
        const mine = ++order
        const about = [props.note, props.begin].find((one) => one !== null && Object.keys(one.decided).length > 0)
        const part = desk.part?.part.id
        if (about && part !== undefined) {
            timer = window.setTimeout(() => {
                void api.history(part, { note: about.id }).then(
                    ({ entries }) => (lines.value = mine === order ? entries.filter(({ counts, what }) => counts && what === 'decide').filter(({ reason }, index) => index === 0 || reason !== null).slice(0, 2) : lines.value),
                    () => undefined,
                )
            }, STAYS_MS)
        }
    },
    { immediate: true },
)
</script>

<template>
    <ul v-if="lines.length > 0" class="note-record quiet" aria-label="Who decided it">
        <li v-for="line in lines" :key="line.seq">{{ line.by }}, {{ timeWords(line.at) }}<template v-if="line.reason">: <strong>{{ line.reason }}</strong></template><template v-if="line.once">, for this once</template></li>
    </ul>
</template>
