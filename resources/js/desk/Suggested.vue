<script setup lang="ts">
import { ref } from 'vue'
import type { Suggestion } from '../api/types'
import type { useTogether } from './together'

/** What colleagues suggest, beside the own marks: looked at, taken or left one by one or all of them, with a reason. */
const props = defineProps<{ together: ReturnType<typeof useTogether>; decides: boolean }>()
const emit = defineEmits<{ look: [suggestion: Suggestion] }>()

const { open, answered, fault, answer } = props.together
const reason = ref('')

async function say(which: readonly Suggestion[], take: boolean): Promise<void> {
    await answer(which, take, reason.value.trim())
    reason.value = ''
}
</script>

<template>
    <section v-if="open.length > 0 || answered.length > 0" class="suggested" aria-label="Suggested">
        <h2>Suggested <span class="count">{{ open.length }}</span></h2>
        <p v-if="fault" class="error" role="alert">{{ fault }}</p>
        <ul>
            <li v-for="one in open" :key="one.key">
                <button type="button" class="plain" @click="emit('look', one)"><strong>{{ one.mine ? 'You' : one.by }}</strong> <span v-for="words in one.words" :key="words">{{ words }}. </span></button>
                <span v-if="decides" class="row"><button type="button" class="take" @click="say([one], true)">Take</button><button type="button" @click="say([one], false)">Leave</button></span>
            </li>
        </ul>
        <template v-if="decides && open.length > 0">
            <label class="suggested-why">Why <input v-model="reason" maxlength="200" placeholder="if you say so"></label>
            <p v-if="open.length > 1" class="row"><button type="button" class="take" @click="say(open, true)">Take all {{ open.length }}</button><button type="button" @click="say(open, false)">Leave all</button></p>
        </template>
        <details v-if="answered.length > 0"><summary>What became of yours</summary><ul><li v-for="one in answered" :key="one.key">{{ one.words[0] }}: <strong>{{ one.answer }}</strong>{{ one.why ? `, ${one.why}` : '' }}</li></ul></details>
    </section>
</template>
