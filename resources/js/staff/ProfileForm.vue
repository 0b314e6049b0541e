<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ElAlert, ElButton, ElCheckbox, ElCheckboxButton, ElCheckboxGroup, ElForm, ElFormItem, ElInputNumber, ElOption, ElPopconfirm, ElRadio, ElRadioGroup, ElSelect, ElTabPane, ElTabs } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { api, type GivenProfile } from '../api/client'
import type { Instrument, Profile, ProfileTrial } from '../api/types'
import { LEVELS, problemWords } from '../desk/words'
import Score from '../page/Score.vue'
import { CHOICES, WRITING, useSettings } from './profile-settings'
import { changeWords } from './words'
import { dayWords } from '../stores/days'

const props = defineProps<{ ensemble: number; profile: Profile }>()
const emit = defineEmits<{ keep: [GivenProfile] }>()

const { settings, given, ownWriting, writing, write, choice, set, take, taught, teach, vibrato, fourFingers, pizzicatoOnly, openOnly, slurs, keys, weight, weigh } = useSettings(props.profile)
/** A section has one instrument; a whole class may have them all. */
const own = computed(() => props.profile.sections.find(({ id }) => id === props.profile.section)?.instrument)
const weighing = ref(Object.keys((props.profile.settings.weights as object | undefined) ?? {}).length > 0)
const instrument = ref<Instrument>(props.profile.sections.find(({ id }) => id === props.profile.section)?.instrument ?? 'violin')
const trial = ref<ProfileTrial | null>(null)
const fault = ref('')
const trying = ref(0)
const kept = JSON.stringify(given.value)
const same = computed(() => JSON.stringify(given.value) === kept)

/** A line of the class's own music, and what else would change, follow the settings. */
async function ask(): Promise<void> {
    const mine = ++trying.value
    fault.value = ''
    try {
        const answer = await api.tryProfile(props.ensemble, props.profile.section, given.value)
        if (mine === trying.value) {
            trial.value = answer
        }
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

onMounted(ask)
watch(given, useDebounceFn(ask, 250))
</script>

<template>
    <div class="profile">
        <ElForm id="profile-settings" label-position="top" class="profile-settings" @submit.prevent="emit('keep', given)">
            <ElFormItem label="From a level" for="profile-level">
                <ElSelect id="profile-level" :model-value="String(settings.level ?? 'second-year')" @change="take">
                    <ElOption v-for="(words, key) in LEVELS" :key="key" :value="key" :label="words" />
                </ElSelect>
            </ElFormItem>
            <ElFormItem v-for="one in CHOICES.filter(({ name }) => name !== 'lowBass' || !own || own === 'bass')" :key="one.name" :label="one.label" :for="`profile-${one.name}`">
                <ElSelect :id="`profile-${one.name}`" :model-value="choice(one.name)" @change="(value: string) => set(one.name, value)">
                    <ElOption v-for="(words, key) in one.options" :key="key" :value="key" :label="words" />
                </ElSelect>
            </ElFormItem>
            <ElFormItem>
                <ElCheckbox v-model="vibrato" label="The class vibrates" />
                <ElCheckbox v-if="!own || own === 'bass'" v-model="fourFingers" label="Basses use four fingers" />
                <ElCheckbox v-model="slurs" label="Slurs" />
                <ElCheckbox v-model="openOnly" label="Open strings only" />
                <ElCheckbox v-model="pizzicatoOnly" label="Pizzicato only" />
            </ElFormItem>
            <ElFormItem label="Keys up to">
                <div class="row">
                    <ElInputNumber :model-value="keys.flats" :min="0" :max="7" size="small" aria-label="Most flats" @change="(flats) => set('keys', { ...keys, flats: flats ?? 0 })" /> flats
                    <ElInputNumber :model-value="keys.sharps" :min="0" :max="7" size="small" aria-label="Most sharps" @change="(sharps) => set('keys', { ...keys, sharps: sharps ?? 0 })" /> sharps
                </div>
            </ElFormItem>
            <ElTabs v-model="instrument">
                <ElTabPane v-for="one in profile.instruments.filter((each) => !own || each.instrument === own)" :key="one.instrument" :name="one.instrument" :label="one.instrument[0]?.toUpperCase() + one.instrument.slice(1)">
                    <p class="quiet small-print">Positions taught</p>
                    <ElCheckboxGroup :model-value="taught(one.instrument).positions" size="small" :aria-label="`Positions taught, ${one.instrument}`" @change="(value) => teach(one.instrument, 'positions', value as number[])">
                        <ElCheckboxButton v-for="position in one.positions.filter((each) => each <= 7)" :key="position" :value="position">{{ profile.numerals[position] ?? position }}</ElCheckboxButton>
                    </ElCheckboxGroup>
                    <p class="quiet small-print">Fingers out of their usual place</p>
                    <ElCheckboxGroup :model-value="taught(one.instrument).placements" size="small" :aria-label="`Fingers taught, ${one.instrument}`" @change="(value) => teach(one.instrument, 'placements', value as string[])">
                        <ElCheckboxButton v-for="placement in one.placements" :key="placement" :value="placement">{{ placement }}</ElCheckboxButton>
                    </ElCheckboxGroup>
                </ElTabPane>
            </ElTabs>
            <template v-if="profile.section === null">
                <h2>How marks are written</h2>
                <ElRadioGroup v-model="ownWriting" class="upright" aria-label="Whose way of writing">
                    <ElRadio :value="false">{{ profile.writer === null ? 'my way, in all my ensembles' : `as ${profile.writer} writes` }}</ElRadio>
                    <ElRadio :value="true">a way of this ensemble’s own</ElRadio>
                </ElRadioGroup>
                <div class="profile-writing">
                    <ElFormItem v-for="one in WRITING" :key="one.name" :label="one.label" :for="`writing-${one.name}`">
                        <ElSelect :id="`writing-${one.name}`" :disabled="!ownWriting && profile.writer !== null" :model-value="writing[one.name] ?? Object.keys(one.options).find((key) => key !== 'o')" @change="(value: string) => write(one.name, value)">
                            <ElOption v-for="(words, key) in one.options" :key="key" :value="String(key)" :label="words" />
                        </ElSelect>
                    </ElFormItem>
                </div>
            </template>
            <h2>Weights</h2>
            <ElButton v-if="!weighing" size="small" @click="weighing = true">Weigh single reasons otherwise…</ElButton>
            <template v-else>
                <p class="quiet small-print">Each is a reason that speaks against a fingering or a bowing. 1 is the usual; 0 leaves it out, 3 makes it three times as strong.</p>
                <ul class="weights">
                    <li v-for="term in profile.terms" :key="`${term.of} ${term.name}`">
                        <label :for="`weight-${term.name}`">{{ term.sentence }}</label>
                        <ElInputNumber :id="`weight-${term.name}`" :model-value="weight(term.name)" :min="0" :max="10" :step="0.25" size="small" @change="(value) => weigh(term.name, value ?? 1)" />
                    </li>
                </ul>
            </template>
            <section v-if="profile.versions.length > 0">
                <h2>Earlier profiles</h2>
                <ul class="links">
                    <li v-for="version in profile.versions" :key="version.id">
                        <span>{{ LEVELS[String(version.settings.level ?? '')] ?? 'a level' }}{{ Object.keys(version.settings).length > 1 ? ', changed by hand' : '' }}<br><small v-if="version.note" class="quiet">{{ version.note }}<br></small><small class="quiet">{{ version.by }}, {{ dayWords(version.at) }}</small></span>
                        <ElPopconfirm title="Bring these settings back? They are kept as a new profile." width="240" confirm-button-text="Bring back" cancel-button-text="No" @confirm="emit('keep', { settings: version.settings, style: version.style, directors: profile.directors })">
                            <template #reference><ElButton size="small">Bring back</ElButton></template>
                        </ElPopconfirm>
                    </li>
                </ul>
            </section>
        </ElForm>
        <div class="profile-picture">
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <template v-if="profile.sample">
                <h2>{{ profile.sample.title }}, {{ profile.sample.part }}</h2>
                <div class="paper profile-paper" tabindex="0" role="region" aria-label="A page of this class"><Score :music="profile.sample.music" :name="profile.sample.musicName" :layer="trial?.layer ?? []" :width="1800" :label="`${profile.sample.title} as this class would be marked`" /></div>
            </template>
            <p v-else class="notice">When there is music on the shelf, a line of it is shown here as this class would play it.</p>
            <section v-if="trial" aria-live="polite">
                <h2>What would change</h2>
                <p v-if="trial.changes.length === 0" class="quiet">No finger and no bow in {{ trial.looked === 1 ? 'the part' : `the ${trial.looked} parts` }} on the shelf.</p>
                <ul v-else class="profile-changes">
                    <li v-for="change in trial.changes" :key="`${change.title} ${change.part}`"><strong>{{ change.title }}</strong>, {{ change.part }}: {{ changeWords(change) }}</li>
                </ul>
                <ElButton type="primary" native-type="submit" form="profile-settings" :disabled="same">Keep this profile</ElButton>
                <p v-if="trial.looked < trial.parts" class="quiet small-print">{{ trial.looked }} of {{ trial.parts }} parts were looked through.</p>
            </section>
        </div>
    </div>
</template>
