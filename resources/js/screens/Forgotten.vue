<script setup lang="ts">
import { ElFormItem, ElInput } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'
import DoorSheet from '../components/DoorSheet.vue'
import { useSession } from '../stores/session'

const session = useSession()
const email = ref('')
const sent = ref(false)
const { fault, busy, attempt } = useAttempt()

const ask = () =>
    attempt(async () => {
        await api.forgotten(email.value)
        sent.value = true
    })
</script>

<template>
    <DoorSheet
        heading="Forgot your password?" button="Send me a letter" :busy="busy" :fault="fault" :shown="session.mails && !sent"
        :about="sent ? 'If there is an account of this address, a letter is on its way. The address in it works for a day.' : session.mails ? 'You get a letter with an address, where you choose a new one.' : 'Ask a director of your ensemble: under People they make an address for you, where you choose a new one. A director who is alone asks whoever runs this installation.'"
        @submit="ask"
    >
        <ElFormItem label="E-mail" for="forgotten-email"><ElInput id="forgotten-email" v-model="email" type="email" autocomplete="username" autofocus /></ElFormItem>
        <template #after><RouterLink to="/sign-in" class="quiet small-print">Back to signing in</RouterLink></template>
    </DoorSheet>
</template>
