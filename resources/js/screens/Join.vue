<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { AskedIn } from '../api/types'
import { problemWords } from '../desk/words'
import { roleWords } from '../staff/words'
import { useSession } from '../stores/session'

const token = String(useRoute().params.token)
const router = useRouter()
const session = useSession()
const asked = ref<AskedIn | null>(null)
const name = ref('')
const password = ref('')
const fault = ref('')
const busy = ref(false)

onMounted(async () => {
    try {
        asked.value = await api.askedIn(token)
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})

async function accept(): Promise<void> {
    busy.value = true
    fault.value = ''
    try {
        session.is(await api.join(token, name.value, password.value))
        await router.replace('/')
    } catch (problem) {
        fault.value = problemWords(problem)
    }
    busy.value = false
}
</script>

<template>
    <main class="sign-in">
        <div class="sign-in-sheet">
            <img class="sign-in-mark" :src="'/mark.svg'" alt="" width="44" height="44">
            <h1>{{ asked ? asked.ensemble : 'Upright Pencil' }}</h1>
            <template v-if="asked">
                <p class="quiet">{{ asked.by }} asks you into {{ asked.ensemble }}, {{ asked.school }}, as {{ roleWords(asked.role, asked.decides).toLowerCase() }}.</p>
                <ElForm label-position="top" @submit.prevent="accept">
                    <ElFormItem label="E-mail"><ElInput :model-value="asked.email" disabled autocomplete="username" /></ElFormItem>
                    <ElFormItem v-if="!asked.hasAccount" label="Your name, as colleagues know it" for="join-name"><ElInput id="join-name" v-model="name" autocomplete="name" autofocus /></ElFormItem>
                    <ElFormItem :label="asked.hasAccount ? 'Your password here' : 'Choose a password (twelve letters or more)'" for="join-password">
                        <ElInput id="join-password" v-model="password" type="password" :autocomplete="asked.hasAccount ? 'current-password' : 'new-password'" show-password />
                    </ElFormItem>
                    <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
                    <ElButton type="primary" native-type="submit" :loading="busy" class="wide">{{ asked.hasAccount ? 'Sign in and join' : 'Open an account and join' }}</ElButton>
                </ElForm>
            </template>
            <ElAlert v-else-if="fault" type="error" :title="fault" :closable="false" />
        </div>
    </main>
</template>
