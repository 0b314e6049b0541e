<script setup lang="ts">
import KeyCap from './KeyCap.vue'
import { LAYERS, ROWS, type Layer, type TypingKey } from './keymap'

/** The keys that lie under one hand, with what each does now; each is a button too. */
defineProps<{ layer: Layer; keys: TypingKey[]; walking: TypingKey[] }>()

const SHOWN = ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Enter', 'Backspace', 'Ctrl+z', 'Ctrl+y']
const find = (keys: TypingKey[], key: string) => keys.find((one) => one.keys.includes(key))
</script>

<template>
    <div class="keyboard" role="group" :aria-label="LAYERS[layer]" @mousedown.prevent>
        <div class="key-rows">
            <div v-for="row in ROWS" :key="row" class="key-row">
                <template v-for="key in row" :key="key">
                    <button
                        v-if="find(keys, key)" type="button" class="key" :class="{ on: find(keys, key)?.on, space: key === ' ' }" :title="find(keys, key)?.label" :aria-label="find(keys, key)?.label"
                        :aria-pressed="find(keys, key)?.on" tabindex="-1" @click="find(keys, key)?.run()"
                    >
                        <kbd>{{ key === ' ' ? 'space' : key.toUpperCase() }}</kbd><KeyCap :cap="find(keys, key)?.cap ?? ''" />
                    </button>
                    <span v-else class="key empty"><kbd>{{ key.toUpperCase() }}</kbd></span>
                </template>
            </div>
        </div>
        <div class="walking-keys">
            <p class="layer-name">{{ LAYERS[layer] }}<span v-if="layer !== 'notes'" class="quiet"> · Esc leaves it</span></p>
            <div class="walk-buttons">
                <button v-for="key in SHOWN" :key="key" type="button" class="key wide-key" :title="find(walking, key)?.label" :aria-label="find(walking, key)?.label" tabindex="-1" @click="find(walking, key)?.run()">
                    <KeyCap :cap="find(walking, key)?.cap ?? ''" />
                </button>
            </div>
        </div>
    </div>
</template>
