<script setup lang="ts">
import { ElFormItem, ElInput } from 'element-plus'

/** The code beside the password. */
const code = defineModel<string>({ required: true })
</script>

<template>
    <ElFormItem label="The code that your device shows, or one from paper" for="sign-in-code">
        <ElInput id="sign-in-code" v-model="code" inputmode="numeric" autocomplete="one-time-code" autofocus maxlength="20" />
    </ElFormItem>
</template>
