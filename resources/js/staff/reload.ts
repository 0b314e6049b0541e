import { inject, type InjectionKey } from 'vue'

/** The shelf is fetched anew. Not an event: what a card began ends well also when the card is gone by then. */
export const RELOAD: InjectionKey<() => Promise<void>> = Symbol('reload')

export const useReload = (): (() => Promise<void>) => inject(RELOAD, () => Promise.resolve())
