<script setup lang="ts">
import { ElAlert } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { api } from '../api/client'
import type { LineUp, Piece, SectionLine, Teaching } from '../api/types'
import { useAttempt } from '../components/attempt'
import { beatWords } from '../desk/words'
import { say } from '../stores/say'

/** What is worked out of all sections at once: a line for each in each passage, where to begin, where to tune, who has which notes. */
const props = defineProps<{ piece: Piece }>()

const teaching = ref<Teaching | null>(null)
const map = ref<LineUp | null>(null)
const editing = ref<string | null>(null)
const words = ref('')
const { fault, attempt } = useAttempt()

const load = () => attempt(async () => ([teaching.value, map.value] = await Promise.all([api.teaching(props.piece.id), api.lineUp(props.piece.id)])))
onMounted(load)

const nameOf = (part: number) => props.piece.parts.find(({ id }) => id === part)?.name ?? ''
const passages = computed(() => [...new Map(teaching.value?.lines.map((line) => [line.passage, line])).values()])
const parts = computed(() => [...new Set(teaching.value?.lines.map(({ part }) => part))])
const lineOf = (passage: string, part: number) => teaching.value?.lines.find((line) => line.passage === passage && line.part === part)
const keyOf = (line: SectionLine) => `${line.passage} ${line.part}`

function edit(line: SectionLine): void {
    editing.value = keyOf(line)
    words.value = line.text
}

/** An edit is a decision in the part's record; with nothing in it the line is worked out again. */
async function keep(line: SectionLine): Promise<void> {
    const text = words.value.trim()
    const seen = map.value?.parts.find(({ part }) => part === line.part)?.seq ?? 0
    const decision = { note: line.note ?? '', know: text === '' || text === line.workedOut ? null : { text, of: line.workedOut } }
    if (await attempt(() => api.appendGroup(props.piece.id, uuid(), [{ part: line.part, seen, decisions: [decision] }]))) {
        editing.value = null
        await load()
    }
}
</script>

<template>
    <section class="teaching">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <p v-if="!teaching && !fault" class="quiet" role="status">Looking at all sections …</p>
        <template v-if="teaching">
            <h2>What each section has to know</h2>
            <div v-if="passages.length > 0" class="passage-scroll" tabindex="0" role="region" aria-label="What each section has to know">
                <table class="section-lines">
                    <thead><tr><th scope="col">{{ say('Part') }}</th><th v-for="one in passages" :key="one.passage" scope="col">{{ one.passage }} <small class="quiet">{{ one.from }}–{{ one.to }}</small></th></tr></thead>
                    <tbody>
                        <tr v-for="part in parts" :key="part">
                            <th scope="row">{{ nameOf(part) }}</th>
                            <td v-for="one in passages" :key="one.passage">
                                <template v-for="line in [lineOf(one.passage, part)]" :key="line?.note ?? one.passage">
                                    <form v-if="line && editing === keyOf(line)" @submit.prevent="keep(line)">
                                        <textarea v-model="words" rows="3" maxlength="160" :aria-label="`${nameOf(part)}, ${one.passage}`" @keydown.enter.exact.prevent="keep(line)" @keydown.escape="editing = null" />
                                        <button type="submit" class="fix">Keep</button> <button type="button" class="look" @click="editing = null">Leave</button>
                                    </form>
                                    <button v-else-if="line" type="button" class="plain" :disabled="line.note === null" :title="line.note === null ? '' : 'Write it in other words'" @click="edit(line)"><span class="line-kind" :class="line.kind.replace(' ', '-')">{{ line.kind }}</span> {{ line.kind === 'rests' ? '' : line.text }}<em v-if="line.stale" class="stale"> Written about something else: now {{ line.workedOut }}.</em></button>
                                </template>
                            </td>
                        </tr>
                    </tbody>
                </table>
            </div>
            <div class="teaching-pair">
                <div>
                    <h2>Where to begin</h2>
                    <ol class="begin">
                        <li v-for="one in teaching.begin" :key="one.name"><strong>{{ one.name }}</strong>, {{ say(`measures ${one.from}–${one.to}`) }}. {{ one.because }}</li>
                    </ol>
                    <template v-if="teaching.divided.length > 0">
                        <h2>Who plays what</h2>
                        <ul class="divided">
                            <li v-for="one in teaching.divided" :key="`${one.part} ${one.from}`"><RouterLink :to="`/parts/${one.part}?measure=${encodeURIComponent(one.from)}`">{{ nameOf(one.part) }}, {{ one.from === one.to ? one.from : `${one.from}–${one.to}` }}</RouterLink>: {{ one.how }}{{ one.decided ? '' : ' (printed)' }}. <span v-for="line in one.lines" :key="line.name">{{ line.name }}: {{ line.players }}<template v-if="line.fallback"> (if missing: {{ line.fallback }})</template>. </span></li>
                        </ul>
                    </template>
                </div>
                <div>
                    <h2>Where to tune</h2>
                    <p v-if="teaching.tuning.length === 0" class="quiet">No pitch is held by three sections long enough to listen.</p>
                    <ul class="tuning">
                        <li v-for="one in teaching.tuning.slice(0, 8)" :key="`${one.measure} ${one.beat} ${one.pitch}`">
                            <strong>{{ one.pitch }}, {{ say(`measure ${one.measure}, beat ${beatWords(one.beat)}`) }}</strong>, {{ one.seconds.toFixed(1) }} s{{ one.everybody ? ', everybody' : '' }}<template v-if="one.start && one.start !== one.measure">; begin at {{ one.start }}</template>.
                            <span v-for="holder in one.parts" :key="holder.part + holder.pitch">{{ holder.part }}: {{ holder.open ? `open ${holder.string}` : `${holder.finger ?? ''} on ${holder.string ?? ''}` }}<em v-if="holder.risk" class="stale"> ({{ holder.risk }})</em>; </span>
                            <span v-if="one.against.length > 0" class="quiet">against it {{ one.against.map(({ part, interval }) => `${part} a ${interval}`).join(', ') }}.</span>
                            <span v-if="one.drill" class="quiet">&nbsp;{{ one.drill }}</span>
                        </li>
                    </ul>
                </div>
            </div>
        </template>
    </section>
</template>
