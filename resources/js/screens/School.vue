<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElInputNumber, ElMessage, ElOption, ElSelect, ElSwitch } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, schoolExport } from '../api/client'
import type { SchoolPerson } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import AuditList from '../staff/AuditList.vue'
import { daysIn, zones } from '../stores/days'

const id = Number(useRoute().params.id)
const router = useRouter()
const given = ref<{ name: string; idleMinutes: number | null; auditDays: number | null; timeZone: string | null }>({ name: '', idleMinutes: null, auditDays: null, timeZone: null })
const longestAudit = ref(365)
const serverZone = ref('UTC')
const people = ref<SchoolPerson[]>([])
const { fault, busy, attempt } = useAttempt()

async function load(): Promise<void> {
    const school = await api.school(id)
    given.value = { name: school.name, idleMinutes: school.idleMinutes, auditDays: school.auditDays, timeZone: school.timeZone }
    longestAudit.value = school.longestAudit
    serverZone.value = school.serverZone
    people.value = school.people
}

async function save(): Promise<void> {
    if (await attempt(() => api.changeSchool(id, { ...given.value, timeZone: given.value.timeZone || null }))) {
        daysIn(given.value.timeZone || serverZone.value)
        ElMessage.success('The school is changed.')
    }
}

async function putAdministrator(person: SchoolPerson, is: boolean): Promise<void> {
    await attempt(() => api.putAdministrator(id, person.id, is))
    // Whoever is none any more has nothing to look for here.
    await load().catch(() => router.push('/'))
}

onMounted(() => attempt(load))
</script>

<template>
    <TopBar says-saving><h1 class="top-title">{{ given.name }}</h1></TopBar>
    <main class="staff-page narrow">
        <ElForm label-position="top" @submit.prevent="save">
            <ElFormItem label="Name of the school" for="school-name"><ElInput id="school-name" v-model="given.name" maxlength="100" /></ElFormItem>
            <ElFormItem label="Time zone" for="school-zone">
                <ElSelect id="school-zone" v-model="given.timeZone" filterable clearable :placeholder="`As the server: ${serverZone}`"><ElOption v-for="zone in zones()" :key="zone" :value="zone" /></ElSelect>
                <p class="quiet small-print under-field">Rehearsals, handouts and change slips go by the days of this place.</p>
            </ElFormItem>
            <ElFormItem label="Sign out whoever does nothing, after so many minutes" for="school-idle">
                <ElInputNumber id="school-idle" :model-value="given.idleMinutes ?? undefined" :min="1" :max="720" :value-on-clear="null" @update:model-value="(minutes) => (given.idleMinutes = minutes ?? null)" />
                <p class="quiet small-print">Empty: as long as a session lasts, twelve hours. What somebody was at stays on the screen, behind the question for the password.</p>
            </ElFormItem>
            <ElFormItem label="Keep the list of who did what for so many days" for="school-audit">
                <ElInputNumber id="school-audit" :model-value="given.auditDays ?? undefined" :min="1" :max="longestAudit" :value-on-clear="null" @update:model-value="(days) => (given.auditDays = days ?? null)" />
                <p class="quiet small-print under-field">Empty: {{ longestAudit }} days, as this installation is set.</p>
            </ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy">Save</ElButton>
        </ElForm>
        <section class="account-part">
            <h2>Administrators</h2>
            <p class="quiet small-print">They change this page, read who did what, and download the school. There is always at least one.</p>
            <ul class="plain-list administrators">
                <li v-for="person in people" :key="person.id">
                    <span>{{ person.name }} <span class="quiet">{{ person.email }}</span></span>
                    <ElSwitch :model-value="person.administrator" :aria-label="`${person.name} is an administrator`" @update:model-value="(is) => putAdministrator(person, Boolean(is))" />
                </li>
            </ul>
        </section>
        <section class="account-part">
            <h2>Who did what</h2>
            <p class="quiet small-print">Who signed in, asked people in, handed out, and took things away. Decisions are not here: each part looks back on its own. No students are here either; links know nobody.</p>
            <AuditList :school="id" />
        </section>
        <section class="account-part">
            <h2>Take everything along</h2>
            <p class="quiet small-print">All ensembles, scores, marked parts, decisions and records as open files (MusicXML, JSON, CSV) in folders. <code>php artisan school:read</code> reads them in elsewhere.</p>
            <a class="el-button" :href="schoolExport(id)" download>Download the school</a>
        </section>
        <section class="account-part">
            <h2>Erase</h2>
            <p class="quiet small-print">Whoever runs this installation erases a school with <code>php artisan school:erase</code>, and a person with <code>person:erase</code>; each asks again. It is complete, and is itself kept on record. Backups forget it within 30 days.</p>
        </section>
    </main>
</template>
