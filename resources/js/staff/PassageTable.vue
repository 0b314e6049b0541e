<script setup lang="ts">
import { ElAlert } from 'element-plus'
import { onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { PassageCell, PassageRow, PassageTable, Piece } from '../api/types'
import { useAttempt } from '../components/attempt'
import { say } from '../stores/say'

/** Sections against passages: what is entered, marked and handed out. Every cell opens its place. */
const props = defineProps<{ piece: Piece }>()

const table = ref<PassageTable | null>(null)
const { fault, attempt } = useAttempt()

onMounted(() => attempt(async () => (table.value = await api.passageTable(props.piece.id))))

/** Whether students have it as it is now. */
function handedOut({ changed, notes }: PassageCell): string {
    return changed === null || notes === 0 ? '' : changed === 0 ? ', handed out' : `, ${changed} changed since handed out`
}

function state(row: PassageRow, cell: PassageCell): { words: string; look: string } {
    if (cell.entered === 0) {
        return { words: cell.measure === null ? '–' : 'not entered', look: 'blank' }
    }
    const some = (cell.entered < cell.measures ? `, ${cell.entered} of ${cell.measures} entered` : '') + handedOut(cell)
    if (cell.open > 0) {
        return { words: `${cell.open} open${cell.decided > 0 ? `, ${cell.decided} marked` : ''}${some}`, look: 'open' }
    }
    if (cell.decided > 0) {
        return { words: `marked: ${cell.decided} ${cell.decided === 1 ? 'note' : 'notes'}${some}`, look: 'marked' }
    }
    return { words: `${cell.notes === 0 ? 'rests' : row.sizedUp ? 'sized up' : 'not looked at'}${some}`, look: cell.notes === 0 || row.sizedUp ? 'seen' : 'new' }
}

const place = (row: PassageRow, cell: PassageCell): string => (cell.entered === 0 ? `/parts/${row.part}/notes` : `/parts/${row.part}?measure=${encodeURIComponent(cell.measure ?? '')}`)
</script>

<template>
    <section>
        <h2>Sections and passages</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <div v-if="table && table.rows.length > 0" class="passage-scroll" tabindex="0" role="region" aria-label="Sections against passages">
            <table>
                <thead>
                    <tr><th scope="col">{{ say('Part') }}</th><th scope="col">Findings</th><th v-for="(name, index) in table.passages" :key="index" scope="col">{{ name }}</th></tr>
                </thead>
                <tbody>
                    <tr v-for="row in table.rows" :key="row.part">
                        <th scope="row"><RouterLink :to="`/parts/${row.part}`">{{ row.name }}</RouterLink></th>
                        <td :class="row.findings > 0 ? 'open' : 'seen'"><RouterLink :to="`/parts/${row.part}?show=findings`">{{ row.findings === 0 ? 'none' : `${row.findings} left` }}</RouterLink></td>
                        <td v-for="(cell, index) in row.cells" :key="index" :class="state(row, cell).look"><RouterLink v-if="cell.measure !== null" :to="place(row, cell)">{{ state(row, cell).words }}</RouterLink><span v-else>–</span></td>
                    </tr>
                </tbody>
            </table>
        </div>
    </section>
</template>
