<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { problemWords } from '../desk/words'
import { useSession } from '../stores/session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const email = ref('')
const password = ref('')
const fault = ref('')
const busy = ref(false)

async function signIn(): Promise<void> {
    busy.value = true
    fault.value = ''
    try {
        await session.signIn(email.value, password.value)
        const wanted = typeof route.query.to === 'string' && route.query.to.startsWith('/') && !route.query.to.startsWith('//') ? route.query.to : '/'
        await router.replace(wanted)
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
            <h1>Upright Pencil</h1>
            <p class="quiet">Bowings, fingerings and positions for your sections’ parts.</p>
            <ElForm label-position="top" @submit.prevent="signIn">
                <ElFormItem label="E-mail" for="email">
                    <ElInput id="email" v-model="email" name="email" type="email" autocomplete="username" autofocus />
                </ElFormItem>
                <ElFormItem label="Password" for="password">
                    <ElInput id="password" v-model="password" name="password" type="password" autocomplete="current-password" show-password />
                </ElFormItem>
                <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
                <ElButton type="primary" native-type="submit" :loading="busy" class="wide">Sign in</ElButton>
            </ElForm>
        </div>
    </main>
</template>
