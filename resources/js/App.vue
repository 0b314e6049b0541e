<script setup lang="ts">
import SignInAgain from './record/SignInAgain.vue'
import { useQueue } from './record/queue'
import { useSession } from './stores/session'

const queue = useQueue()
const session = useSession()
</script>

<template>
    <RouterView :key="session.renewed" />
    <SignInAgain v-if="queue.signedOut || session.lost" />
</template>
