<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElMessage } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { Account } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import DeviceList from '../staff/DeviceList.vue'
import LeaveForm from '../staff/LeaveForm.vue'
import SecondFactor from '../staff/SecondFactor.vue'
import { useSession } from '../stores/session'

const session = useSession()
const given = ref({ name: '', email: '', password: '', current_password: '' })
const kept = ref<Account | null>(null)
const { fault, busy, attempt } = useAttempt()
const guarded = computed(() => given.value.password !== '' || given.value.email !== kept.value?.email)

function show(account: Account): void {
    given.value = { name: account.name, email: account.email, password: '', current_password: '' }
    kept.value = account
}

const load = () => attempt(async () => show(await api.account()))

onMounted(load)

const save = () =>
    attempt(async () => {
        const account = await api.changeAccount(given.value)
        show(account)
        session.name = account.name
        ElMessage.success('Your account is changed.')
    })
</script>

<template>
    <TopBar says-saving><h1 class="top-title">Your account</h1></TopBar>
    <main class="staff-page narrow">
        <ElForm label-position="top" @submit.prevent="save">
            <ElFormItem label="Name, as colleagues know it" for="account-name"><ElInput id="account-name" v-model="given.name" autocomplete="name" /></ElFormItem>
            <ElFormItem label="E-mail" for="account-email"><ElInput id="account-email" v-model="given.email" type="email" autocomplete="username" /></ElFormItem>
            <ElFormItem label="New password (twelve letters or more; leave it empty to keep yours)" for="account-password"><ElInput id="account-password" v-model="given.password" type="password" autocomplete="new-password" show-password /></ElFormItem>
            <ElFormItem v-if="guarded && kept" label="The password you have now" for="account-current"><ElInput id="account-current" v-model="given.current_password" type="password" autocomplete="current-password" show-password /></ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy">Save</ElButton>
        </ElForm>
        <template v-if="kept">
            <SecondFactor :on="kept.givesCode" @changed="load" />
            <DeviceList />
            <LeaveForm />
        </template>
    </main>
</template>
