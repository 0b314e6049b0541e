<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput } from 'element-plus'
import QRCode from 'qrcode'
import { ref } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'

/** A code beside the password, for those who want it. */
const props = defineProps<{ on: boolean }>()
const emit = defineEmits<{ changed: [] }>()

const password = ref('')
const code = ref('')
const secret = ref('')
const picture = ref('')
const codes = ref<string[]>([])
const { fault, busy, attempt } = useAttempt()

const begin = () =>
    attempt(async () => {
        if (props.on) {
            await api.endCode(password.value)
            codes.value = []
            emit('changed')
        } else {
            const made = await api.beginCode(password.value)
            secret.value = made.secret
            picture.value = await QRCode.toDataURL(made.address, { margin: 1, width: 200 })
        }
        password.value = ''
    })

const confirm = () =>
    attempt(async () => {
        codes.value = (await api.confirmCode(code.value)).codes
        secret.value = picture.value = code.value = ''
        emit('changed')
    })
</script>

<template>
    <section class="account-part">
        <h2>A code beside your password</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <div v-if="codes.length > 0" class="notice">
            <p><strong>Write these down.</strong> Each lets you in once, when your device is not at hand. They are shown this once.</p>
            <ul class="recovery-codes"><li v-for="one in codes" :key="one"><code>{{ one }}</code></li></ul>
        </div>
        <ElForm v-if="secret" label-position="top" @submit.prevent="confirm">
            <p class="quiet small-print">Take this picture with the program on your telephone that makes such codes, or type the letters in; then give the code that it shows.</p>
            <img :src="picture" alt="The secret as a QR code" width="200" height="200" class="secret-picture">
            <p><code class="secret">{{ secret.match(/.{1,4}/g)?.join(' ') }}</code></p>
            <ElFormItem label="The code that it shows now" for="factor-code"><ElInput id="factor-code" v-model="code" inputmode="numeric" autocomplete="one-time-code" maxlength="8" /></ElFormItem>
            <ElButton type="primary" native-type="submit" :loading="busy">Ask me for it from now on</ElButton>
        </ElForm>
        <ElForm v-else label-position="top" @submit.prevent="begin">
            <p class="quiet small-print">{{ on ? 'You are asked for a code of your device whenever you sign in.' : 'Whoever learns your password still cannot sign in: a device of yours shows a code that changes every half minute.' }}</p>
            <ElFormItem label="Your password" for="factor-password"><ElInput id="factor-password" v-model="password" type="password" autocomplete="current-password" /></ElFormItem>
            <ElButton native-type="submit" :loading="busy">{{ on ? 'Ask for no code any more' : 'Set it up' }}</ElButton>
        </ElForm>
    </section>
</template>
