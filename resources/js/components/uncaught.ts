import { ElMessage } from 'element-plus'
import type { App } from 'vue'
import { Unreachable } from '../api/client'

const WORDS = 'Something went wrong on this page. What you decided is kept. Reload the page if it does not answer.'

/** A dialog that is left, and what was let go on purpose, is nobody's fault. */
const isMeant = (problem: unknown): boolean => problem === 'cancel' || problem === 'close' || (problem instanceof DOMException && problem.name === 'AbortError')

/** The one place that catches what nobody caught, and tells it. */
export function catchUncaught(app: App): void {
    const tell = (problem: unknown) => {
        if (!isMeant(problem)) {
            console.error(problem)
            ElMessage.error({ message: problem instanceof Unreachable ? problem.message : WORDS, grouping: true })
        }
    }
    app.config.errorHandler = tell
    window.addEventListener('unhandledrejection', (event) => {
        event.preventDefault()
        tell(event.reason)
    })
}
