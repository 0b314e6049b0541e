<script setup lang="ts">
import { ElFormItem, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'
import DoorSheet from '../components/DoorSheet.vue'
import { zoneHere, zones } from '../stores/days'
import { useSession } from '../stores/session'

const router = useRouter()
const session = useSession()
const given = ref({ code: '', school: '', name: '', email: '', password: '', timeZone: zoneHere() })
const { fault, busy, attempt } = useAttempt()

const open = () =>
    attempt(async () => {
        session.is(await api.firstStart(given.value))
        await router.replace('/')
    })
</script>

<template>
    <DoorSheet heading="Open the school" about="Nobody has an account yet. Whoever installed this has a code for the first director." button="Open the school" :busy="busy" :fault="fault" @submit="open">
        <ElFormItem label="Code from the installer" for="first-code"><ElInput id="first-code" v-model="given.code" autocomplete="off" autofocus /></ElFormItem>
        <ElFormItem label="School" for="first-school"><ElInput id="first-school" v-model="given.school" autocomplete="organization" /></ElFormItem>
        <ElFormItem label="Time zone of the school" for="first-zone">
            <ElSelect id="first-zone" v-model="given.timeZone" filterable><ElOption v-for="zone in zones()" :key="zone" :value="zone" /></ElSelect>
        </ElFormItem>
        <ElFormItem label="Your name" for="first-name"><ElInput id="first-name" v-model="given.name" autocomplete="name" /></ElFormItem>
        <ElFormItem label="E-mail" for="first-email"><ElInput id="first-email" v-model="given.email" type="email" autocomplete="username" /></ElFormItem>
        <ElFormItem label="Password (twelve letters or more)" for="first-password"><ElInput id="first-password" v-model="given.password" type="password" autocomplete="new-password" show-password /></ElFormItem>
    </DoorSheet>
</template>
