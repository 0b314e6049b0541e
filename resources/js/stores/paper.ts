import { useLocalStorage } from '@vueuse/core'
import type { Paper } from '../page/sheets'

/** The paper somebody printed on last; Letter where that is what shops sell. */
export const paper = useLocalStorage<Paper>('upright-pencil.paper', /-(US|CA|MX|PH|CL|CO)$/.test(navigator.language) ? 'letter' : 'a4')
