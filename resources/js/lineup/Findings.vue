<script setup lang="ts">
import { computed } from 'vue'
import type { OutOfLine } from '../api/types'
import { beatWords } from '../desk/words'
import { say } from '../stores/say'
import { countWords, type Tried } from './lining'

/** What is out of line, with what would mend it: all of it was tried before it is offered. */
const props = defineProps<{ findings: OutOfLine[] | null; current: number; tried: Tried | null; nameOf: (part: number) => string }>()
const emit = defineEmits<{ go: [index: number]; look: [index: number, remedy: number]; take: []; leave: []; apart: [index: number] }>()

const shown = computed(() => (props.findings ?? []).map((finding, index) => ({ finding, index })))
const open = computed(() => shown.value.filter(({ finding }) => !finding.folded))
const told = computed(() => shown.value.filter(({ finding }) => finding.folded))
const where = (finding: OutOfLine) => say(finding.to === finding.measure ? `measure ${finding.measure}, beat ${beatWords(finding.beat)}` : `measures ${finding.measure}–${finding.to}`)
</script>

<template>
    <section aria-label="Out of line">
        <h2>Out of line <span v-if="findings">{{ open.length }}</span></h2>
        <p v-if="findings === null" class="quiet" role="status">Comparing the sections and trying what would help …</p>
        <p v-else-if="open.length === 0" class="quiet">Nothing: wherever sections play the same, they bow the same.</p>
        <ol class="line-findings">
            <li v-for="{ finding, index } in open" :key="finding.id" :class="{ current: index === current }">
                <button type="button" class="plain" :aria-current="index === current || undefined" @click="emit('go', index)"><span class="finding-number">{{ index + 1 }}</span> <strong>{{ where(finding) }}</strong> {{ finding.message }}</button>
                <div v-if="index === current" class="line-remedies">
                    <button v-for="(remedy, number) in finding.remedies" :key="remedy.words" type="button" class="fix" :aria-pressed="tried?.words === remedy.words" @click="emit('look', index, number)"><kbd>{{ number + 1 }}</kbd>{{ remedy.words }}</button>
                    <p v-if="finding.remedies.length === 0" class="quiet small-print">Nothing that was tried helps here; look at it on the parts.</p>
                    <button v-if="finding.apart.length > 0" type="button" class="look" @click="emit('apart', index)"><kbd>M</kbd>It is meant so</button>
                </div>
            </li>
        </ol>
        <div v-if="tried" class="line-tried" role="status">
            <p><strong>{{ tried.words }}</strong><br>{{ tried.parts.map(({ part, decisions }) => `${nameOf(part)}: ${countWords(decisions)}`).join(', ') }}. {{ tried.told.join(' ') }}</p>
            <p class="small-print">
                On the parts:
                <RouterLink v-for="{ part, decisions } in tried.parts" :key="part" class="line-look" :to="{ path: `/parts/${part}`, query: { note: 'note' in decisions[0]! ? decisions[0].note : undefined }, state: { looking: JSON.stringify(decisions) } }">{{ nameOf(part) }}</RouterLink>
            </p>
            <div class="row">
                <button type="button" class="fix" @click="emit('take')"><kbd>Enter</kbd>Decide it</button>
                <button type="button" class="look" @click="emit('leave')"><kbd>Esc</kbd>Leave it</button>
            </div>
        </div>
        <details v-if="told.length > 0" class="line-told">
            <summary>Only told: {{ told.length }}</summary>
            <ol class="line-findings">
                <li v-for="{ finding, index } in told" :key="finding.id" :class="{ current: index === current }">
                    <button type="button" class="plain" @click="emit('go', index)"><span class="finding-number">{{ index + 1 }}</span> <strong>{{ where(finding) }}</strong> {{ finding.message }}</button>
                    <div v-if="index === current" class="line-remedies">
                        <button v-for="(remedy, number) in finding.remedies" :key="remedy.words" type="button" class="fix" @click="emit('look', index, number)"><kbd>{{ number + 1 }}</kbd>{{ remedy.words }}</button>
                        <button type="button" class="look" @click="emit('apart', index)"><kbd>M</kbd>It is meant so</button>
                    </div>
                </li>
            </ol>
        </details>
    </section>
</template>
