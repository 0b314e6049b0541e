<script setup lang="ts">
import { computed } from 'vue'
import type { SheetLine } from '../api/types'
import { rubbedSign, sheetSign } from '../page/sheet-signs'
import { say } from '../stores/say'
import SignPicture from './SignPicture.vue'

/** What to change on a printed page, a line each with a box to tick. */
const props = defineProps<{ lines: readonly SheetLine[] }>()
defineEmits<{ go: [note: string] }>()

const drawn = computed(() => props.lines.map((line) => ({ line, rubbed: rubbedSign(line), sign: sheetSign(line) })))
const where = (line: SheetLine) => (line.measure === '' ? '' : `${line.measure}${line.to ? `–${line.to}` : ''}`)
</script>

<template>
    <table class="changes">
        <thead><tr><th /><th>{{ say('Measure') }}</th><th>Beat</th><th>Note</th><th>Rub out</th><th>Write</th></tr></thead>
        <tbody>
            <tr v-for="({ line, rubbed, sign }, index) in drawn" :key="index">
                <td><input type="checkbox" :aria-label="line.measure ? say(`Measure ${line.measure}, beat ${line.beat} is done`) : line.words"></td>
                <td><button v-if="line.measure" type="button" class="plain" @click="$emit('go', line.notes[0] ?? '')">{{ where(line) }}</button></td>
                <td>{{ line.notes.length > 1 ? '' : line.beat }}</td><td>{{ line.notes.length > 1 ? '' : line.pitch }}</td>
                <td><SignPicture v-if="rubbed" :sign="rubbed" /><span v-else class="hand">{{ line.erase ?? '' }}</span></td>
                <td><template v-if="line.check"><strong>look first: </strong></template><SignPicture v-if="sign" :sign="sign" /> {{ line.words }}<span v-if="line.reason" class="quiet"> ({{ line.reason }})</span></td>
            </tr>
        </tbody>
    </table>
</template>
