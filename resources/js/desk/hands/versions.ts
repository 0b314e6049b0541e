import { ElMessage } from 'element-plus'
import { fail, NOTHING_CHOSEN, say, type Reach } from './reach'

/** Two versions side by side: made, and looked at in turn. */
export function versionHands({ desk, selecting, trying, settling, ask }: Reach) {
    function version(): void {
        const trial = trying.trial.value
        const question = settling.at(selecting.selected.value)
        if (trial !== null && trial.kind !== 'version') {
            void keep()
        } else if (settling.question.value) {
            settling.next(settling.question.value.id)
        } else if (trying.drafting.value !== null) {
            trying.endDraft()
            say('No other version was made.')
        } else if (question) {
            settling.next(question.id)
        } else if (selecting.selected.value === null) {
            say(NOTHING_CHOSEN)
        } else {
            trying.drafting.value = []
            say('Now decide it the other way: nothing counts yet. Press ; again to keep both.')
        }
    }

    async function keep(): Promise<void> {
        const decisions = trying.drafting.value ?? trying.trial.value?.decisions ?? []
        const listen = await ask('What is to be listened for?', '', /^/, 'In a few words, or nothing.', 'Keep both')
        if (listen === null) {
            return
        }
        try {
            const made = await settling.keep(decisions, listen)
            trying.endDraft()
            if (made.length > 0) {
                desk.decide(...made)
                ElMessage.success('Both versions are kept until one is taken.')
            }
        } catch (problem) {
            fail(problem)
        }
    }

    return { version, keep }
}
