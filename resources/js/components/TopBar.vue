<script setup lang="ts">
import { ElButton } from 'element-plus'
import { useRouter } from 'vue-router'
import { useSession } from '../stores/session'

const session = useSession()
const router = useRouter()

async function signOut(): Promise<void> {
    await session.signOut()
    await router.push('/sign-in')
}
</script>

<template>
    <header class="top-bar">
        <RouterLink class="home" to="/" aria-label="Upright Pencil: the shelf">
            <img :src="'/mark.svg'" alt="" width="26" height="26">
            <span>Upright Pencil</span>
        </RouterLink>
        <div class="top-bar-middle"><slot /></div>
        <div class="top-bar-actions">
            <slot name="actions" />
            <ElButton text class="sign-out" :title="`Signed in as ${session.name ?? ''}`" @click="signOut">Sign out</ElButton>
        </div>
    </header>
</template>
