<script setup lang="ts">
import { ElTabPane, ElTabs } from 'element-plus'
import { computed, ref } from 'vue'
import type { FieldName, Note } from '../api/types'
import { spoken, type Command } from '../marks/keys'
import { BOW_FIELDS, bowWords, fieldWords, placeWords } from './words'

const props = defineProps<{
    note: Note | null
    /** The first note of its stroke, which carries the bow's decisions. */
    begin: Note | null
    span: string
    commands: Command[]
    saving: boolean
    /** Whether letters, digits and signs by themselves are keys. */
    singleKeys: boolean
}>()

const GROUPS = ['Finger', 'Bow', 'Words', 'Players', 'Take', 'Go'] as const

/** Which keys the card shows as buttons; all of them answer to the keyboard. */
const tab = ref<(typeof GROUPS)[number]>('Finger')
const buttons = computed(() => props.commands.filter(({ group }) => (tab.value === 'Go' ? group === 'Walk' || group === 'Page' : group === tab.value)))
/** What is announced when another note is chosen: one sentence. */
const sentence = computed(() => (props.note ? `${props.note.pitch ?? 'Unpitched'}, ${placeWords(props.note)}: ${props.note.spoken || 'no mark'}${props.span ? `; ${props.span} chosen` : ''}.` : ''))
const decided = computed(() => {
    const own = (Object.keys(props.note?.decided ?? {}) as FieldName[]).map((field) => fieldWords(field))
    const bowed = props.begin !== null && props.begin.id !== props.note?.id && BOW_FIELDS.some((field) => props.begin?.decided[field] !== undefined)
    return bowed ? [...own, 'the bow of its stroke'] : own
})

/** Arrow keys walk along the notes, also after a tab was clicked; who comes by the keyboard goes from tab to tab with them. */
function backToThePage(): void {
    requestAnimationFrame(() => document.querySelector<HTMLElement>('.note-tabs [role=tab]:focus')?.blur())
}
</script>

<template>
    <section class="note-card" aria-label="The selected note">
        <p class="visually-hidden" role="status">{{ sentence }}</p>
        <template v-if="note">
            <h2>
                <span class="note-pitch">{{ note.pitch ?? 'Unpitched' }}</span>
                <span class="quiet">{{ placeWords(note) }}</span>
            </h2>
            <dl>
                <div v-if="span"><dt>Span</dt><dd>{{ span }}</dd></div>
                <div><dt>Bow</dt><dd>{{ bowWords(note) }}</dd></div>
                <div>
                    <dt>Finger</dt>
                    <dd v-if="note.finger"><span class="hand">{{ note.finger }}</span> on {{ note.string }}<template v-if="note.position">, position {{ note.position }}</template></dd>
                    <dd v-else>none found</dd>
                </div>
                <div>
                    <dt>Decided</dt>
                    <dd>{{ saving ? 'being saved…' : decided.length > 0 ? decided.join(', ') : 'nothing; worked out for this class' }}</dd>
                </div>
            </dl>
            <p v-if="note.spoken !== ''" class="quiet marks-spoken">On the page: {{ note.spoken }}.</p>
            <slot name="ways" />
            <p v-for="reason in note.reasons" :key="reason" class="reason">{{ reason }}</p>
            <slot />
            <ElTabs v-model="tab" class="note-tabs" aria-label="Keys shown as buttons" @tab-click="backToThePage">
                <ElTabPane v-for="group in GROUPS" :key="group" :name="group" :label="group" />
            </ElTabs>
            <div class="note-buttons" :class="tab.toLowerCase()">
                <button v-for="command in buttons" :key="command.label" type="button" :class="{ numeral: command.short === '' }" :title="command.label" :aria-label="command.short === '' ? `${command.keys[0]}: ${command.label}` : undefined" :aria-keyshortcuts="command.keys[0]" @click="command.run">
                    <kbd v-if="spoken(command.keys[0] ?? '').length < 3 && (command.short === '' || singleKeys)" aria-hidden="true">{{ spoken(command.keys[0] ?? '') }}</kbd><span v-if="command.short !== ''">{{ command.short ?? command.label }}</span>
                </button>
            </div>
        </template>
        <p v-else class="quiet">Choose a note on the page, or press <kbd>→</kbd>.</p>
    </section>
</template>
