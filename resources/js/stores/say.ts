import { shallowRef } from 'vue'
import type { Words } from '../api/types'

/** The words of the house style: what the page says itself is put into them. */
const terms = shallowRef<Record<string, string>>({})

export function speak(words: Words | undefined): void {
    terms.value = words?.terms ?? {}
}

/** “Measure 3” or “Bar 3”. */
export function say(sentence: string): string {
    const ours = Object.keys(terms.value)
    return ours.length === 0
        ? sentence
        : sentence.replace(new RegExp(`\\b(${ours.join('|')})\\b`, 'gi'), (found) => {
              const word = terms.value[found.toLowerCase()] ?? found
              return found[0] === found[0]?.toUpperCase() ? `${word[0]?.toUpperCase()}${word.slice(1)}` : word
          })
}
