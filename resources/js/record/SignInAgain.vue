<script setup lang="ts">
import { ElAlert, ElButton, ElDialog, ElForm, ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import CodeStep from '../components/CodeStep.vue'
import { useSession } from '../stores/session'
import { problemWords } from '../desk/words'
import { useQueue } from './queue'

const session = useSession()
const queue = useQueue()
const email = ref('')
const password = ref('')
const code = ref('')
const fault = ref('')

async function signIn(): Promise<void> {
    fault.value = ''
    try {
        const before = queue.person
        await (session.owesCode ? session.giveCode(code.value) : session.signIn(email.value, password.value))
        if (session.owesCode) {
            return
        }
        if (session.id !== before) {
            // Somebody else: nothing of what waits is sent under that name, and nothing of what is on the screen is theirs.
            location.assign('/')
        }
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}
</script>

<template>
    <ElDialog model-value title="You were signed out" width="400px" :show-close="false" :close-on-click-modal="false" :close-on-press-escape="false">
        <p>Your last decisions are kept in this browser. Sign in and they are saved. Whoever else signs in sees their own; yours wait for you.</p>
        <ElForm label-position="top" @submit.prevent="signIn">
            <CodeStep v-if="session.owesCode" v-model="code" />
            <ElFormItem v-if="!session.owesCode" label="E-mail" for="again-email"><ElInput id="again-email" v-model="email" type="email" autocomplete="username" /></ElFormItem>
            <ElFormItem v-if="!session.owesCode" label="Password" for="again-password"><ElInput id="again-password" v-model="password" type="password" autocomplete="current-password" /></ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit">Sign in and save</ElButton>
        </ElForm>
    </ElDialog>
</template>
