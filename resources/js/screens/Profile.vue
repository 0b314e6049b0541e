<script setup lang="ts">
import { ElAlert, ElMessage, ElSkeleton } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Profile } from '../api/types'
import TopBar from '../components/TopBar.vue'
import { problemWords } from '../desk/words'
import ProfileForm from '../staff/ProfileForm.vue'
import type { Settings } from '../staff/profile-settings'

const ensemble = Number(useRoute().params.id)
const profile = ref<Profile | null>(null)
const fault = ref('')

async function load(): Promise<void> {
    try {
        profile.value = await api.profile(ensemble)
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

async function keep(settings: Settings, style: Record<string, string>): Promise<void> {
    fault.value = ''
    try {
        await api.keepProfile(ensemble, settings, style)
        ElMessage.success('The class profile is kept. What you decided stays.')
        await load()
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

onMounted(load)
</script>

<template>
    <TopBar says-saving><h1 v-if="profile" class="top-title">{{ profile.ensemble }}: what the class can</h1></TopBar>
    <main class="profile-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="profile === null && !fault" :rows="8" animated />
        <ProfileForm v-if="profile" :key="profile.versions[0]?.id ?? 0" :ensemble="ensemble" :profile="profile" @keep="keep" />
    </main>
</template>
