<script setup lang="ts">
import { computed } from 'vue'
import type { Cursor } from './player'

/** Bow direction and finger of the note that is heard, large enough for a class. */
const props = defineProps<{ cursor: Cursor | null; notes: readonly { id: string; finger: string | null; string: string | null }[] }>()

const note = computed(() => props.notes.find(({ id }) => id === props.cursor?.note?.id) ?? null)
const direction = computed(() => props.cursor?.note?.direction ?? null)
</script>

<template>
    <div v-if="cursor" class="large-hand" aria-hidden="true">
        <span v-if="cursor.count > 0" class="large-count">{{ cursor.count }}</span>
        <template v-else>
            <svg v-if="direction" class="large-bow" viewBox="-160 -300 320 320">
                <path v-if="direction === 'down'" d="M-112 0 V-210 H112 V0" fill="none" stroke="currentColor" stroke-width="46" />
                <path v-else d="M-104 -270 L0 -10 L104 -270" fill="none" stroke="currentColor" stroke-width="46" />
            </svg>
            <span v-else class="large-bow">pizz.</span>
            <span class="large-finger">{{ note?.finger ?? '' }}<small>{{ note?.string ?? '' }}</small></span>
        </template>
    </div>
</template>
