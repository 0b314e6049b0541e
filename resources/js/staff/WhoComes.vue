<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import type { Occasion } from '../api/types'
import { SECTIONS } from './words'

/** Which sections come to a rehearsal; none chosen: everybody. */
const sections = defineModel<Occasion['sections']>({ required: true })
defineProps<{ id?: string }>()
</script>

<template>
    <ElSelect :id="id" :model-value="sections ?? []" multiple placeholder="Everybody" aria-label="Who comes" class="who-comes" @update:model-value="(chosen: NonNullable<Occasion['sections']>) => (sections = chosen.length > 0 ? chosen : null)">
        <ElOption v-for="(name, section) in SECTIONS" :key="section" :value="section" :label="name" />
    </ElSelect>
</template>
