<script setup lang="ts">
import { say } from '../stores/say'
import { nextTick, ref, watch } from 'vue'
import type { Finding, Fix } from '../api/types'

const props = defineProps<{ findings: readonly Finding[]; plan: readonly Finding[]; current: string | null; previewed: number | null }>()
const emit = defineEmits<{ go: [id: string]; take: [fix: Fix]; look: [place: number] }>()

const FIX: Record<string, string> = {
    hook: 'Hook',
    retake: 'Retake',
    lift: 'Lift',
    alternate: 'Turn this one round',
    start: 'Start it up-bow',
    'begin-down': 'It begins down-bow',
    'begin-up': 'It begins up-bow',
    split: 'Split the slur',
    strike: 'Strike the slur',
    change: 'Change bow on the note',
    stagger: 'Stagger the change',
    place: 'Use that part of the bow',
    unmark: 'Take the sign away',
}

const list = ref<HTMLElement>()

watch(
    () => props.current,
    async () => {
        await nextTick()
        list.value?.querySelector('.current')?.scrollIntoView({ block: 'nearest' })
    },
)
</script>

<template>
    <section ref="list" class="findings" aria-label="Findings">
        <h2>Findings <span class="count">{{ findings.length }}</span></h2>
        <p v-if="findings.length === 0" class="quiet">Nothing is left to mend: the bow comes out right and the class can play every note.</p>
        <ol v-else>
            <li v-for="(finding, index) in findings" :key="finding.id" :class="{ current: finding.id === current }">
                <button type="button" class="finding" :aria-current="finding.id === current" @click="emit('go', finding.id)">
                    <span class="finding-number">{{ index + 1 }}</span>
                    <span class="finding-body">
                        <strong>{{ say(`Measure ${finding.measure}`) }}</strong>
                        <span class="finding-message">{{ finding.message }}</span>
                    </span>
                </button>
                <div v-if="finding.id === current && finding.fixes.length > 0" class="fixes">
                    <div v-for="(fix, place) in finding.fixes" :key="`${fix.action}-${place}`" class="fix-row" :class="{ previewed: place === previewed }">
                        <button type="button" class="fix" @click="emit('take', fix)">
                            <kbd v-if="place === (previewed ?? 0)">Enter</kbd>{{ FIX[fix.action] ?? fix.action }}
                        </button>
                        <button type="button" class="look" :aria-pressed="place === previewed" @click="emit('look', place)">
                            <kbd v-if="place === (previewed === null ? 0 : previewed + 1)">V</kbd>{{ place === previewed ? 'On the page' : 'Look' }}
                        </button>
                    </div>
                </div>
                <p v-else-if="finding.id === current" class="no-fix quiet">No small change mends this by itself; decide around it.</p>
            </li>
        </ol>
        <details v-if="plan.length > 0" class="plan-notes">
            <summary>What the plan did, and why <span class="count">{{ plan.length }}</span></summary>
            <ol>
                <li v-for="note in plan" :key="note.id" :class="{ current: note.id === current }">
                    <button type="button" class="finding" :aria-current="note.id === current" @click="emit('go', note.id)">
                        <span class="finding-body">
                            <strong>{{ say(`Measure ${note.measure}`) }}</strong>
                            <span class="finding-message">{{ note.message }}</span>
                        </span>
                    </button>
                    <div v-if="note.id === current && note.fixes[0]" class="fixes">
                        <button type="button" class="fix" @click="emit('take', note.fixes[0])"><kbd>Enter</kbd>Decide it so</button>
                    </div>
                </li>
            </ol>
        </details>
    </section>
</template>
