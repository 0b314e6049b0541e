import { ref } from 'vue'
import { problemWords } from '../desk/words'

/** What somebody asked for: under way, or what went wrong, in words. */
export function useAttempt() {
    const fault = ref('')
    const busy = ref(false)

    /** @returns whether it went well */
    async function attempt(work: () => Promise<unknown>): Promise<boolean> {
        fault.value = ''
        busy.value = true
        try {
            await work()
        } catch (problem) {
            fault.value = problemWords(problem)
        }
        busy.value = false
        return fault.value === ''
    }

    return { fault, busy, attempt }
}
