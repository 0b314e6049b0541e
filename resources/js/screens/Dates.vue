<script setup lang="ts">
import { ElAlert, ElButton, ElDatePicker, ElForm, ElFormItem, ElInput, ElInputNumber, ElPopconfirm, ElRadioButton, ElRadioGroup } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, calendarOf } from '../api/client'
import type { Occasion, Occasions } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import WhoComes from '../staff/WhoComes.vue'
import { dateWords, SECTIONS } from '../staff/words'
import { today } from '../stores/days'

const ensemble = Number(useRoute().params.id)
const dates = ref<Occasions | null>(null)
const made = ref({ kind: 'concert', name: '', on: '', starts: '', minutes: null as number | null, sections: null as Occasion['sections'] })
const changing = ref<Occasion | null>(null)
const { fault, busy, attempt } = useAttempt()

const now = today()
const groups = computed(() => [
    { heading: 'To come', occasions: dates.value?.occasions.filter(({ on }) => on >= now) ?? [] },
    { heading: 'Past', occasions: dates.value?.occasions.filter(({ on }) => on < now) ?? [] },
])

const load = async () => (dates.value = await api.occasions(ensemble))
const doing = (work: () => Promise<unknown>) => attempt(() => work().then(load))

const add = async () => {
    if (await doing(() => api.makeOccasion(ensemble, { ...made.value, on: made.value.on ?? '', starts: made.value.starts || null }))) {
        made.value = { kind: made.value.kind, name: '', on: '', starts: made.value.starts, minutes: made.value.minutes, sections: null }
    }
}
const save = async (one: Occasion) => (await doing(() => api.changeOccasion(one.id, { name: one.name, on: one.on, starts: one.starts || null, minutes: one.minutes, sections: one.sections }))) && (changing.value = null)

onMounted(() => attempt(load))
</script>

<template>
    <TopBar says-saving><h1 v-if="dates" class="top-title">{{ dates.ensemble }}: concerts and rehearsals</h1></TopBar>
    <main class="staff-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElForm v-if="dates" class="new-date" label-position="top" @submit.prevent="add">
            <ElFormItem label="New date">
                <ElRadioGroup v-model="made.kind" aria-label="What it is">
                    <ElRadioButton value="concert">Concert</ElRadioButton>
                    <ElRadioButton value="rehearsal">Rehearsal</ElRadioButton>
                </ElRadioGroup>
            </ElFormItem>
            <ElFormItem label="Name" for="date-name"><ElInput id="date-name" v-model="made.name" maxlength="100" :placeholder="made.kind === 'concert' ? 'Spring concert' : 'Sectional'" /></ElFormItem>
            <ElFormItem label="Day" for="date-on"><ElDatePicker id="date-on" v-model="made.on" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" placeholder="Pick the day" /></ElFormItem>
            <ElFormItem label="Begins" for="date-starts"><ElInput id="date-starts" v-model="made.starts" type="time" /></ElFormItem>
            <ElFormItem label="Minutes" for="date-minutes"><ElInputNumber id="date-minutes" :model-value="made.minutes ?? undefined" :min="5" :max="600" :step="5" :value-on-clear="null" @update:model-value="(minutes) => (made.minutes = minutes ?? null)" /></ElFormItem>
            <ElFormItem v-if="made.kind === 'rehearsal'" label="Who comes" for="date-sections"><WhoComes id="date-sections" v-model="made.sections" /></ElFormItem>
            <ElButton type="primary" native-type="submit" :loading="busy">Add</ElButton>
        </ElForm>
        <template v-for="group in groups" :key="group.heading">
            <section v-if="group.occasions.length > 0">
                <h2>{{ group.heading }}</h2>
                <ul class="links">
                    <li v-for="one in group.occasions" :key="one.id">
                        <ElForm v-if="changing?.id === one.id" class="date-changed" @submit.prevent="save(changing)">
                            <ElInput v-model="changing.name" aria-label="Name" maxlength="100" />
                            <ElDatePicker v-model="changing.on" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" aria-label="Day" :clearable="false" />
                            <ElInput :model-value="changing.starts ?? ''" type="time" aria-label="Begins" @update:model-value="(starts: string) => changing && (changing.starts = starts || null)" />
                            <ElInputNumber :model-value="changing.minutes ?? undefined" :min="5" :max="600" :step="5" :value-on-clear="null" aria-label="Minutes" @update:model-value="(minutes) => changing && (changing.minutes = minutes ?? null)" />
                            <WhoComes v-if="changing.kind === 'rehearsal'" v-model="changing.sections" />
                            <ElButton type="primary" size="small" native-type="submit">Save</ElButton>
                        </ElForm>
                        <span v-else><strong>{{ dateWords(one.on) }}{{ one.starts ? `, ${one.starts}` : '' }}</strong>, {{ one.name }}{{ one.minutes ? ` (${one.minutes} minutes)` : '' }}<br><small class="quiet">{{ one.kind === 'concert' ? (one.pieces.length > 0 ? one.pieces.join(', ') : 'Concert; no piece is for it yet') : one.sections === null ? 'Rehearsal' : `Rehearsal of ${one.sections.map((section) => SECTIONS[section].toLowerCase()).join(' and ')}` }}</small></span>
                        <span class="row">
                            <RouterLink v-if="one.kind === 'rehearsal'" class="el-button el-button--small" :to="`/occasions/${one.id}/plan`">Plan</RouterLink>
                            <RouterLink v-if="one.kind === 'concert' && one.pieces.length > 0" class="el-button el-button--small" :to="`/occasions/${one.id}/packet`">Packets</RouterLink>
                            <ElButton size="small" @click="changing = changing?.id === one.id ? null : { ...one }">{{ changing?.id === one.id ? 'Leave it' : 'Change' }}</ElButton>
                            <ElPopconfirm :title="`Take “${one.name}” off the list?`" width="240" confirm-button-text="Take it off" cancel-button-text="Keep it" @confirm="doing(() => api.takeOccasionAway(one.id))">
                                <template #reference><ElButton size="small">Take off</ElButton></template>
                            </ElPopconfirm>
                        </span>
                    </li>
                </ul>
            </section>
        </template>
        <p v-if="dates && dates.occasions.length > 0" class="calendar-file"><a class="el-button" :href="calendarOf(ensemble)" download>Dates for your calendar (iCalendar)</a></p>
        <p v-if="dates?.occasions.length === 0" class="notice">No dates yet. Add the concert first; then say on a piece’s own page that it is for it.</p>
    </main>
</template>
