<script setup lang="ts">
import { ElAlert, ElMessage, ElSkeleton } from 'element-plus'
import { computed, onMounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type GivenProfile } from '../api/client'
import type { Profile } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import HabitList from '../staff/HabitList.vue'
import ProfileForm from '../staff/ProfileForm.vue'
import SectionBar from '../staff/SectionBar.vue'

const route = useRoute()
const router = useRouter()
const ensemble = Number(route.params.id)
const section = computed(() => (route.query.section === undefined ? null : Number(route.query.section)))
const profile = ref<Profile | null>(null)
const { fault, attempt } = useAttempt()

const load = () =>
    attempt(async () => {
        const wanted = section.value
        const answer = await api.profile(ensemble, wanted)
        if (wanted === section.value) {
            profile.value = answer
        }
    })

async function keep(given: GivenProfile): Promise<void> {
    if (await attempt(() => api.keepProfile(ensemble, section.value, given))) {
        ElMessage.success('The profile is kept. What you decided stays.')
        await load()
    }
}

function choose(wanted: number | null): void {
    void router.replace(wanted === null ? route.path : `${route.path}?section=${wanted}`)
}

onMounted(load)
watch(section, load)
</script>

<template>
    <TopBar says-saving><h1 v-if="profile" class="top-title">{{ profile.ensemble }}: what they can</h1></TopBar>
    <main class="profile-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="profile === null && !fault" :rows="8" animated />
        <template v-if="profile">
            <SectionBar :ensemble="ensemble" :profile="profile" @choose="choose" @changed="load" />
            <HabitList v-if="section === null" :key="`habits ${profile.versions[0]?.id ?? 0}`" :ensemble="ensemble" :profile="profile" @changed="load" />
            <ProfileForm :key="`${profile.section} ${profile.versions[0]?.id ?? 0}`" :ensemble="ensemble" :profile="profile" @keep="keep" />
        </template>
    </main>
</template>
