<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import { problemWords } from '../desk/words'
import { useSession } from '../stores/session'

const router = useRouter()
const session = useSession()
const given = ref({ code: '', school: '', name: '', email: '', password: '' })
const fault = ref('')
const busy = ref(false)

async function open(): Promise<void> {
    busy.value = true
    fault.value = ''
    try {
        session.is(await api.firstStart(given.value))
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
            <h1>Open the school</h1>
            <p class="quiet">Nobody has an account yet. Whoever installed this has a code for the first director.</p>
            <ElForm label-position="top" @submit.prevent="open">
                <ElFormItem label="Code from the installer" for="first-code"><ElInput id="first-code" v-model="given.code" autocomplete="off" autofocus /></ElFormItem>
                <ElFormItem label="School" for="first-school"><ElInput id="first-school" v-model="given.school" autocomplete="organization" /></ElFormItem>
                <ElFormItem label="Your name" for="first-name"><ElInput id="first-name" v-model="given.name" autocomplete="name" /></ElFormItem>
                <ElFormItem label="E-mail" for="first-email"><ElInput id="first-email" v-model="given.email" type="email" autocomplete="username" /></ElFormItem>
                <ElFormItem label="Password (twelve letters or more)" for="first-password"><ElInput id="first-password" v-model="given.password" type="password" autocomplete="new-password" show-password /></ElFormItem>
                <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
                <ElButton type="primary" native-type="submit" :loading="busy" class="wide">Open the school</ElButton>
            </ElForm>
        </div>
    </main>
</template>
