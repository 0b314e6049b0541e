<script setup lang="ts">
import { ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useAttempt } from '../components/attempt'
import CodeStep from '../components/CodeStep.vue'
import DoorSheet from '../components/DoorSheet.vue'
import { useSession } from '../stores/session'

const session = useSession()
const router = useRouter()
const route = useRoute()
const email = ref('')
const password = ref('')
const code = ref('')
const { fault, busy, attempt } = useAttempt()

const signIn = () =>
    attempt(async () => {
        await (session.owesCode ? session.giveCode(code.value) : session.signIn(email.value, password.value))
        if (session.owesCode) {
            return
        }
        const wanted = typeof route.query.to === 'string' && route.query.to.startsWith('/') && !route.query.to.startsWith('//') ? route.query.to : '/'
        await router.replace(wanted)
    })
</script>

<template>
    <DoorSheet heading="Upright Pencil" about="Bowings, fingerings and positions for your sections’ parts." :button="session.owesCode ? 'Go on' : 'Sign in'" :busy="busy" :fault="fault" @submit="signIn">
        <CodeStep v-if="session.owesCode" v-model="code" />
        <template v-else>
            <ElFormItem label="E-mail" for="email">
                <ElInput id="email" v-model="email" name="email" type="email" autocomplete="username" autofocus />
            </ElFormItem>
            <ElFormItem label="Password" for="password">
                <ElInput id="password" v-model="password" name="password" type="password" autocomplete="current-password" show-password />
            </ElFormItem>
        </template>
        <template #after><RouterLink v-if="!session.owesCode" to="/forgotten" class="quiet small-print">Forgot your password?</RouterLink></template>
    </DoorSheet>
</template>
