<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Account } from '../api/types'
import { problemWords } from '../desk/words'
import { useSession } from '../stores/session'

const token = String(useRoute().params.token)
const router = useRouter()
const session = useSession()
const owner = ref<Account | null>(null)
const password = ref('')
const fault = ref('')
const busy = ref(false)

onMounted(async () => {
    try {
        owner.value = await api.passwordLink(token)
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})

async function choose(): Promise<void> {
    busy.value = true
    fault.value = ''
    try {
        session.is(await api.newPassword(token, password.value))
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
            <h1>A new password</h1>
            <template v-if="owner">
                <p class="quiet">For {{ owner.name }}, {{ owner.email }}.</p>
                <ElForm label-position="top" @submit.prevent="choose">
                    <ElFormItem label="Password (twelve letters or more)" for="new-password"><ElInput id="new-password" v-model="password" type="password" autocomplete="new-password" show-password autofocus /></ElFormItem>
                    <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
                    <ElButton type="primary" native-type="submit" :loading="busy" class="wide">Choose it and sign in</ElButton>
                </ElForm>
            </template>
            <ElAlert v-else-if="fault" type="error" :title="fault" :closable="false" />
        </div>
    </main>
</template>
