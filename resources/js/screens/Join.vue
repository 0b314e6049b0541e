<script setup lang="ts">
import { ElFormItem, ElInput } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { AskedIn } from '../api/types'
import { useAttempt } from '../components/attempt'
import DoorSheet from '../components/DoorSheet.vue'
import { roleWords } from '../staff/words'
import { useSession } from '../stores/session'

const token = String(useRoute().params.token)
const router = useRouter()
const session = useSession()
const asked = ref<AskedIn | null>(null)
const name = ref('')
const password = ref('')
const { fault, busy, attempt } = useAttempt()

const about = computed(() => (asked.value ? `${asked.value.by} asks you into ${asked.value.ensemble}, ${asked.value.school}, as ${roleWords(asked.value.role, asked.value.decides).toLowerCase()}.` : ''))

onMounted(() => attempt(async () => (asked.value = await api.askedIn(token))))

const accept = () =>
    attempt(async () => {
        session.is(await api.join(token, name.value, password.value))
        await router.replace(session.owesCode ? '/sign-in' : '/')
    })
</script>

<template>
    <DoorSheet
        :heading="asked?.ensemble ?? 'Upright Pencil'" :about="about" :button="asked?.hasAccount ? 'Sign in and join' : 'Open an account and join'" :busy="busy" :fault="fault" :shown="asked !== null"
        @submit="accept"
    >
        <ElFormItem label="E-mail"><ElInput :model-value="asked?.email" disabled autocomplete="username" /></ElFormItem>
        <ElFormItem v-if="!asked?.hasAccount" label="Your name, as colleagues know it" for="join-name"><ElInput id="join-name" v-model="name" autocomplete="name" autofocus /></ElFormItem>
        <ElFormItem :label="asked?.hasAccount ? 'Your password here' : 'Choose a password (twelve letters or more)'" for="join-password">
            <ElInput id="join-password" v-model="password" type="password" :autocomplete="asked?.hasAccount ? 'current-password' : 'new-password'" show-password />
        </ElFormItem>
    </DoorSheet>
</template>
