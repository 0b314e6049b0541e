<script setup lang="ts">
import { computed } from 'vue'
import type { Warning } from '../api/types'
import { say } from '../stores/say'

/** What was not understood: what bears on the notes first, the rest folded. Each kind is said once, with its places. */
const props = defineProps<{ warnings: Warning[]; names: Record<string, string> }>()

const MOST_PLACES = 12

const matter = computed(() => props.warnings.filter(({ matters }) => matters))
const rest = computed(() => props.warnings.filter(({ matters }) => !matters))

/** “Viola: measures 7, 12; Cello: measure 3”; a line of the file where no measure is known. */
function places({ places: all, count }: Warning): string {
    const byPart = new Map<string, string[]>()
    for (const { part, measure, line } of all.slice(0, MOST_PLACES)) {
        const where = measure !== null && measure !== '' ? measure : line === null ? '' : `line ${line}`
        const name = part === null ? '' : (props.names[part] ?? part)
        byPart.set(name, [...(byPart.get(name) ?? []), ...(where === '' ? [] : [where])])
    }
    const said = [...byPart].map(([name, own]) => [name, measures([...new Set(own)])].filter(Boolean).join(': '))
    return said.filter(Boolean).join('; ') + (count > MOST_PLACES ? `, and ${count - MOST_PLACES} more` : '')
}

function measures(own: string[]): string {
    const lines = own.filter((one) => one.startsWith('line '))
    const numbers = own.filter((one) => !one.startsWith('line '))
    return [numbers.length === 0 ? '' : `${say(numbers.length === 1 ? 'measure' : 'measures')} ${numbers.join(', ')}`, ...lines].filter(Boolean).join(', ')
}
</script>

<template>
    <div v-if="warnings.length > 0" class="warnings">
        <template v-if="matter.length > 0">
            <h3>{{ matter.length === 1 ? 'One thing to check' : `${matter.length} things to check` }}</h3>
            <ul>
                <li v-for="(warning, index) in matter" :key="index">
                    <span v-if="places(warning)" class="warning-place">{{ places(warning) }}</span>
                    {{ warning.count > 1 ? `${warning.message} So it is in ${warning.count} places.` : warning.message }}
                </li>
            </ul>
        </template>
        <details v-if="rest.length > 0">
            <summary>{{ rest.length === 1 ? 'One sign or hint' : `${rest.length} kinds of signs and hints` }} left out; the notes are as they were written</summary>
            <ul>
                <li v-for="(warning, index) in rest" :key="index"><span v-if="places(warning)" class="warning-place">{{ places(warning) }}</span> {{ warning.message }}</li>
            </ul>
        </details>
    </div>
    <p v-else class="quiet">Everything in the file was understood.</p>
</template>
