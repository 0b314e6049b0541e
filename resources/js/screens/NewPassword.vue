<script setup lang="ts">
import { ElFormItem, ElInput } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Account } from '../api/types'
import { useAttempt } from '../components/attempt'
import DoorSheet from '../components/DoorSheet.vue'
import { useSession } from '../stores/session'

const route = useRoute()
const [token, email] = [String(route.params.token), String(route.query.email ?? '')]
const router = useRouter()
const session = useSession()
const owner = ref<Account | null>(null)
const password = ref('')
const { fault, busy, attempt } = useAttempt()

onMounted(() => attempt(async () => (owner.value = await api.passwordLink(token, email))))

const choose = () =>
    attempt(async () => {
        session.is(await api.newPassword(token, email, password.value))
        await router.replace(session.owesCode ? '/sign-in' : '/')
    })
</script>

<template>
    <DoorSheet heading="A new password" :about="owner ? `For ${owner.name}, ${owner.email}.` : ''" button="Choose it and sign in" :busy="busy" :fault="fault" :shown="owner !== null" @submit="choose">
        <ElFormItem label="Password (twelve letters or more)" for="new-password">
            <ElInput id="new-password" v-model="password" type="password" autocomplete="new-password" show-password autofocus />
        </ElFormItem>
    </DoorSheet>
</template>
