<script setup lang="ts">
import { ElAlert, ElButton } from 'element-plus'
import { onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { Device } from '../api/types'
import { useAttempt } from '../components/attempt'
import { dayWords, timeWords } from '../stores/days'

/** Where somebody is signed in. */
const devices = ref<Device[]>([])
const { fault, attempt } = useAttempt()

const load = () => attempt(async () => (devices.value = (await api.devices()).devices))
const end = (device: Device) =>
    attempt(async () => {
        await api.endDevice(device.id)
        devices.value = devices.value.filter(({ id }) => id !== device.id)
    })

onMounted(load)
</script>

<template>
    <section class="account-part">
        <h2>Where you are signed in</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ul class="links devices">
            <li v-for="device in devices" :key="device.id">
                <span>{{ device.name }}<br><small class="quiet">since {{ dayWords(device.since) }}, {{ device.here ? 'this device' : `last seen ${timeWords(device.seen)}` }}</small></span>
                <ElButton v-if="!device.here" size="small" @click="end(device)">Sign out there</ElButton>
            </li>
        </ul>
    </section>
</template>
