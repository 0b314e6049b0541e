<script setup lang="ts">
import { ElAlert, ElButton, ElForm } from 'element-plus'

/** The sheet before the door: whoever is not signed in yet fills it in. */
withDefaults(defineProps<{ heading: string; about?: string; button: string; busy: boolean; fault: string; shown?: boolean }>(), { about: '', shown: true })
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
    <main class="sign-in">
        <div class="sign-in-sheet">
            <img class="sign-in-mark" :src="'/mark.svg'" alt="" width="44" height="44">
            <h1>{{ heading }}</h1>
            <p v-if="about" class="quiet">{{ about }}</p>
            <ElForm label-position="top" @submit.prevent="emit('submit')">
                <slot v-if="shown" />
                <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
                <ElButton v-if="shown" type="primary" native-type="submit" :loading="busy" class="wide">{{ button }}</ElButton>
            </ElForm>
            <slot name="after" />
        </div>
    </main>
</template>
