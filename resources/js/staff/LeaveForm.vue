<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'

/** For good, after the password. */
const asking = ref(false)
const password = ref('')
const { fault, busy, attempt } = useAttempt()

const leave = () =>
    attempt(async () => {
        await api.leave(password.value)
        location.assign('/sign-in')
    })
</script>

<template>
    <section class="account-part">
        <h2>Leave</h2>
        <p class="quiet small-print">Your name, your address and your account are erased. What you decided stays in the parts, as “a former teacher’s”. Backups forget you within 30 days.</p>
        <ElButton v-if="!asking" @click="asking = true">Leave for good…</ElButton>
        <ElForm v-else label-position="top" @submit.prevent="leave">
            <ElFormItem label="Your password" for="leave-password"><ElInput id="leave-password" v-model="password" type="password" autocomplete="current-password" /></ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="danger" native-type="submit" :loading="busy">Erase my account</ElButton>
            <ElButton @click="asking = false">Stay</ElButton>
        </ElForm>
    </section>
</template>
