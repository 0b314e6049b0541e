<script setup lang="ts">
import { ElButton, ElDialog, ElInput } from 'element-plus'
import { computed, ref, shallowRef } from 'vue'

interface Question {
    words: string
    check: RegExp
    hint: string
    /** What its button says. */
    verb: string
    answer: (words: string | null) => void
}

/** Asks for a few words; the answer is null when it is left. */
const question = shallowRef<Question | null>(null)
const words = ref('')
const input = ref<InstanceType<typeof ElInput> | null>(null)
const wrong = computed(() => question.value !== null && !question.value.check.test(words.value.trim()))

function ask(asked: string, before: string, check = /^/, hint = '', verb = 'Write it'): Promise<string | null> {
    words.value = before
    return new Promise((answer) => (question.value = { words: asked, check, hint, verb, answer }))
}

function leave(answer: string | null): void {
    const asked = question.value
    question.value = null
    asked?.answer(answer)
}

function write(): void {
    if (!wrong.value) {
        leave(words.value)
    }
}

defineExpose({ ask, asking: computed(() => question.value !== null) })
</script>

<template>
    <ElDialog :model-value="question !== null" :title="question?.words" width="420px" align-center @update:model-value="leave(null)" @opened="input?.focus()">
        <form class="ask-words" @submit.prevent="write">
            <ElInput ref="input" v-model="words" :aria-label="question?.words" :aria-invalid="wrong" maxlength="200" />
            <p v-if="question?.hint" class="quiet" :class="{ error: wrong }">{{ question.hint }}</p>
            <div class="row">
                <ElButton @click="leave(null)">Leave it</ElButton>
                <ElButton type="primary" native-type="submit" :disabled="wrong">{{ question?.verb }}</ElButton>
            </div>
        </form>
    </ElDialog>
</template>
