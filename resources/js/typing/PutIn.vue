<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElMessage, ElMessageBox, ElRadio, ElRadioGroup, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, Refused } from '../api/client'
import { useAttempt } from '../components/attempt'
import RightsChoice from '../components/RightsChoice.vue'
import { KINDS } from '../staff/words'
import { SECTIONS } from './beginnings'
import type { Draft } from './draft'
import type { Manuscript } from './manuscript'

/** What becomes of what was typed: a piece or line on the shelf, a part of a piece, or the notes of the part that it corrects. */
const props = defineProps<{ draft: Draft; manuscript: Manuscript }>()
const emit = defineEmits<{ renamed: [title: string] }>()

/** A lesson line of a method book has 8 to 16 measures. */
const LONGEST_LINE = 16

const router = useRouter()
const rights = ref('')
const chosen = ref<keyof typeof KINDS | null>(null)
const sections = ref<string[]>([props.manuscript.name])
const { fault, busy, attempt } = useAttempt()

const typed = computed(() => props.draft.typed.value)
const kind = computed({ get: () => chosen.value ?? (props.manuscript.measures.length <= LONGEST_LINE ? 'line' : 'piece'), set: (kind) => (chosen.value = kind) })
const hasNotes = computed(() => props.manuscript.measures.some(({ notes, sealed }) => (notes?.length ?? 0) > 0 || sealed !== undefined))
const names = computed(() => SECTIONS.map(({ name }) => ({ value: name, label: name })))
const missing = computed(() => [
    hasNotes.value ? '' : 'some notes',
    typed.value?.part !== null || typed.value.piece !== null || props.manuscript.title?.trim() ? '' : 'a title',
    typed.value?.part !== null || typed.value.piece !== null || rights.value !== '' ? '' : 'whether players may see the notes',
    sections.value.length > 0 ? '' : 'whose part it is',
].filter(Boolean))
const label = computed(() => (typed.value?.part !== null ? 'Put it in the part' : typed.value.piece !== null ? 'Put it in the piece' : 'Put it on the shelf'))

watch(() => props.manuscript.name, (name) => (sections.value = props.manuscript.rhythm ? sections.value : [name]))

const instrumentOf = (name: string): string => SECTIONS.find((one) => one.name === name)?.instrument ?? props.manuscript.instrument ?? 'violin'

async function putIn(): Promise<void> {
    const at = typed.value
    if (!at || busy.value || missing.value.length > 0) {
        return
    }
    await attempt(async () => {
        if (!(await props.draft.flush())) {
            throw new Refused(0, props.draft.trouble.value || 'It is not saved yet. Wait a moment.')
        }
        const kept = at.part !== null ? await over(at.key) : at.piece !== null
            ? await api.putInAsPart(at.key, { name: props.manuscript.name, instrument: props.manuscript.instrument ?? instrumentOf(props.manuscript.name) })
            : await api.putInAsPiece(at.key, { title: props.manuscript.title ?? '', rights: rights.value, kind: kind.value, sections: sections.value.map((name) => ({ name, instrument: props.manuscript.rhythm ? instrumentOf(name) : (props.manuscript.instrument ?? instrumentOf(name)) })) })
        if (!kept) {
            return
        }
        await props.draft.forget()
        ElMessage.success(at.part !== null ? 'The notes of the part are changed.' : `${props.manuscript.title ?? props.manuscript.name} is on the shelf.`)
        await router.push(`/parts/${kept.part}`)
    })
}

/** As a decision: what is printed stays beside it, and comes back when it is undone. */
async function overPrint(): Promise<void> {
    const at = typed.value
    if (!at || busy.value) {
        return
    }
    await attempt(async () => {
        if (!(await props.draft.flush())) {
            throw new Refused(0, props.draft.trouble.value || 'It is not saved yet. Wait a moment.')
        }
        const kept = await api.putOverPrint(at.key)
        await props.draft.forget()
        ElMessage.success('It is played so from now on; the print stands small over it.')
        await router.push(`/parts/${kept.part}`)
    })
}

/** Somebody else may have changed the notes since: then it is asked. */
async function over(key: string) {
    try {
        return await api.putInOver(key, false)
    } catch (problem) {
        if (!(problem instanceof Refused) || problem.status !== 409) {
            throw problem
        }
        const sure = await ElMessageBox.confirm(`${problem.message} Both stay as versions; yours is the one that counts from now on.`, 'Put yours in all the same?', { confirmButtonText: 'Put mine in', cancelButtonText: 'Not yet' }).catch(() => null)
        return sure ? await api.putInOver(key, true) : null
    }
}
</script>

<template>
    <section class="put-in" aria-label="Put it in">
        <ElForm label-position="top" @submit.prevent="putIn">
            <template v-if="typed?.part === null && typed.piece === null">
                <ElFormItem label="Title" for="typed-title"><ElInput id="typed-title" :model-value="manuscript.title ?? ''" maxlength="200" @update:model-value="emit('renamed', $event)" /></ElFormItem>
                <ElFormItem v-if="manuscript.rhythm" label="Sections that share it">
                    <ElSelect v-model="sections" multiple :options="names" aria-label="Sections that share it" />
                </ElFormItem>
                <ElFormItem label="It is">
                    <ElRadioGroup v-model="kind"><ElRadio v-for="(words, value) in KINDS" :key="value" :value="value">{{ words }}</ElRadio></ElRadioGroup>
                </ElFormItem>
                <RightsChoice v-model="rights" />
            </template>
            <p v-else-if="typed?.part !== null" class="quiet small-print">What was decided stays with its notes; the notes as they were stay as a version.</p>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :disabled="missing.length > 0 || busy" :loading="busy">{{ label }}</ElButton>
            <template v-if="typed?.part != null">
                <ElButton :disabled="missing.length > 0 || busy" @click="overPrint">Write it over the print</ElButton>
                <p class="quiet small-print">Over the print it is a decision as others: the printed measure stays small above it, and undo brings it back.</p>
            </template>
            <p v-if="missing.length > 0" class="quiet small-print">Still to say: {{ missing.join(', ') }}.</p>
        </ElForm>
    </section>
</template>
