<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'
import { say } from '../stores/say'

/** The measures with which the lines of the printed page begin: typed once, then the transfer sheet follows them. */
const props = defineProps<{ part: number; players: string | null; changes: boolean }>()

const { fault, busy, attempt } = useAttempt()
const kept = ref('')
const typed = ref('')
const changed = computed(() => typed.value.trim() !== kept.value)

watch(
    () => props.part,
    () => attempt(async () => void (kept.value = typed.value = (await api.sheet(props.part, props.players, false)).lines.join(', '))),
    { immediate: true },
)

const keep = () =>
    attempt(async () => {
        await api.keepLines(props.part, typed.value.split(/[\s,;]+/).filter((number) => number !== ''))
        kept.value = typed.value.trim()
    })
</script>

<template>
    <form v-if="changes || kept !== ''" class="line-starts" @submit.prevent="keep">
        <label>{{ say('Lines of the printed page begin at measures') }}
            <ElInput v-model="typed" :disabled="!changes" placeholder="1, 7, 13" size="small" />
        </label>
        <ElButton v-if="changes" size="small" native-type="submit" :disabled="!changed" :loading="busy">Keep</ElButton>
        <p v-if="fault" class="error" role="alert">{{ fault }}</p>
    </form>
</template>
