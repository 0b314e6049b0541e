<script setup lang="ts">
import { CAPS } from './caps'

/** The sign on a key, drawn where it has a drawing. */
defineProps<{ cap: string }>()
</script>

<template>
    <svg v-if="CAPS[cap]" class="cap-drawing" viewBox="0 0 24 24" aria-hidden="true">
        <path v-if="CAPS[cap]?.fill" :d="CAPS[cap]?.fill" class="filled" />
        <path v-if="CAPS[cap]?.line" :d="CAPS[cap]?.line" class="lined" />
    </svg>
    <span v-else class="cap">{{ cap }}</span>
</template>
