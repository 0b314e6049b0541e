<script setup lang="ts">
import { ElAlert, ElButton, ElMessageBox } from 'element-plus'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { useQueue } from '../record/queue'
import SaveState from '../record/SaveState.vue'
import { forgetEngravings } from '../page/kept-engravings'
import { forgetRehearsals } from '../rehearsing/notes'
import { forgetHistories } from '../typing/draft'
import { problemWords } from '../desk/words'
import { useSession } from '../stores/session'

/** The foot of the desk says it there. */
defineProps<{ saysSaving?: boolean }>()

const session = useSession()
const queue = useQueue()
const router = useRouter()
const fault = ref('')

async function signOut(): Promise<void> {
    const count = queue.waiting.length + queue.aside.length
    if (count > 0) {
        const them = count === 1 ? 'One decision is' : `${count} decisions are`
        const leaves = await ElMessageBox.confirm(`${them} not saved. They stay in this browser until you sign in here again.`, 'Sign out all the same?', { confirmButtonText: 'Sign out', cancelButtonText: 'Stay' }).catch(() => null)
        if (leaves === null) {
            return
        }
    }
    try {
        await session.signOut()
        forgetRehearsals()
        await Promise.all([forgetEngravings(), forgetHistories()])
        await router.push('/sign-in')
    } catch (problem) {
        fault.value = problemWords(problem)
    }
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
            <SaveState v-if="saysSaving" quiet />
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <slot name="actions" />
            <RouterLink class="account-link" to="/account">{{ session.name }}</RouterLink>
            <ElButton text class="sign-out" @click="signOut">Sign out</ElButton>
        </div>
    </header>
</template>
