import { ref, watch } from 'vue'
import type { Paper } from '../desk/sheets'

const KEPT = 'upright-pencil.paper'

/** The paper somebody printed on last; Letter where that is what shops sell. */
function firstChoice(): Paper {
    const kept = localStorage.getItem(KEPT)
    if (kept === 'a4' || kept === 'letter') {
        return kept
    }
    return /-(US|CA|MX|PH|CL|CO)$/.test(navigator.language) ? 'letter' : 'a4'
}

export const paper = ref<Paper>(firstChoice())

watch(paper, (chosen) => localStorage.setItem(KEPT, chosen))
