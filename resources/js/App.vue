<script setup lang="ts">
import SignInAgain from './record/SignInAgain.vue'
import { useQueue } from './record/queue'

const queue = useQueue()
</script>

<template>
    <RouterView />
    <SignInAgain v-if="queue.signedOut" />
</template>
