<script setup lang="ts">
import { ElAlert, ElButton, ElInput, ElInputNumber, ElPopconfirm } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../api/client'
import type { Profile, Section } from '../api/types'
import { useAttempt } from '../components/attempt'

/** Whose profile it is: the whole class's, a section's, or that of some players inside a section. */
const props = defineProps<{ ensemble: number; profile: Profile }>()
const emit = defineEmits<{ choose: [number | null]; changed: [] }>()

const naming = ref(false)
const name = ref('')
const { fault, busy, attempt } = useAttempt()

const sections = computed(() => props.profile.sections.filter(({ section }) => section === null))
const chosen = computed<Section | undefined>(() => props.profile.sections.find(({ id }) => id === props.profile.section))
/** The section that is chosen, or that the chosen group is in. */
const section = computed<Section | undefined>(() => sections.value.find(({ id }) => id === (chosen.value?.section ?? chosen.value?.id)))
const groups = computed(() => props.profile.sections.filter((one) => one.section === section.value?.id))

const make = () =>
    attempt(async () => {
        const made = await api.makeGroup(props.ensemble, section.value?.id ?? 0, name.value)
        naming.value = false
        name.value = ''
        emit('choose', made.id)
    })

/** The name while it is being changed. */
const named = ref<string | undefined>()
async function rename(): Promise<void> {
    await attempt(() => api.changeSection(props.profile.section ?? 0, { name: named.value ?? '' }))
    named.value = undefined
    emit('changed')
}

const count = async (stands: number) => (await attempt(() => api.changeSection(props.profile.section ?? 0, { stands }))) && emit('changed')

const takeAway = () =>
    attempt(async () => {
        const to = section.value?.id === chosen.value?.id ? null : (section.value?.id ?? null)
        await api.takeSectionAway(chosen.value?.id ?? 0)
        emit('choose', to)
    })
</script>

<template>
    <nav class="section-bar" aria-label="Whose profile">
        <button type="button" :aria-current="profile.section === null ? 'page' : undefined" @click="emit('choose', null)">Whole class</button>
        <button v-for="one in sections" :key="one.id" type="button" :aria-current="one.id === section?.id ? 'page' : undefined" @click="emit('choose', one.id)">{{ one.name }}<span v-if="one.own" class="own-dot" title="has a profile of its own"> ●</span></button>
    </nav>
    <div v-if="section" class="section-bar groups">
        <span class="quiet">{{ groups.length > 0 ? 'Players in it:' : 'All of it has one profile.' }}</span>
        <button v-if="groups.length > 0" type="button" :aria-current="chosen?.id === section.id ? 'page' : undefined" @click="emit('choose', section.id)">all</button>
        <button v-for="group in groups" :key="group.id" type="button" :aria-current="group.id === chosen?.id ? 'page' : undefined" @click="emit('choose', group.id)">{{ group.name }}</button>
        <form v-if="naming" class="row" @submit.prevent="make">
            <ElInput v-model="name" size="small" maxlength="100" placeholder="Back desks" aria-label="Name of the players" autofocus />
            <ElButton size="small" type="primary" native-type="submit" :loading="busy">Add them</ElButton>
        </form>
        <ElButton v-else size="small" @click="naming = true">Players with fingers of their own…</ElButton>
        <ElInput class="section-name" :model-value="named ?? chosen?.name" size="small" maxlength="100" :aria-label="`Name of ${chosen?.name}`" @update:model-value="(words: string) => (named = words)" @change="rename" />
        <label class="stands quiet">Stands <ElInputNumber :model-value="chosen?.stands ?? 0" :min="0" :max="50" size="small" aria-label="Stands" @change="(stands) => count(stands ?? 0)" /></label>
        <ElPopconfirm v-if="chosen" :title="chosen.section === null ? `Take “${chosen.name}” off the list of sections?` : `“${chosen.name}” play the section’s edition again; links to theirs end. Go on?`" width="260" confirm-button-text="Take off" cancel-button-text="Keep" @confirm="takeAway">
            <template #reference><ElButton size="small">Take off</ElButton></template>
        </ElPopconfirm>
    </div>
    <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
</template>
