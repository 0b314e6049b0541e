<script setup lang="ts">
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElInputNumber, ElMessage, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import type { BowingSchool, Level, Piece } from '../api/types'
import { say } from '../stores/say'
import { useAttempt } from '../components/attempt'
import { LEVELS, RIGHTS, RIGHTS_MEAN } from '../desk/words'
import { BOWINGS } from './profile-settings'
import { dateWords, KINDS } from './words'

/** What a piece is called, may be shown of, and is worked out with. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ changed: [] }>()

const AS_THE_CLASS = 'class'

const { title, composer, kind, rights, bowing, tempo, level, occasion } = props.piece
const given = ref({ title, composer, kind, rights, bowing: bowing ?? AS_THE_CLASS, tempo, level: level ?? AS_THE_CLASS, occasion: occasion ?? 0 })
const { fault, busy, attempt } = useAttempt()

async function save(): Promise<void> {
    const changed = { ...given.value, bowing: given.value.bowing === AS_THE_CLASS ? null : (given.value.bowing as BowingSchool), level: given.value.level === AS_THE_CLASS ? null : (given.value.level as Level), occasion: given.value.occasion === 0 ? null : given.value.occasion }
    if (await attempt(() => api.changePiece(props.piece.id, changed))) {
        ElMessage.success('The piece is changed. What you decided stays.')
        emit('changed')
    }
}
</script>

<template>
    <section>
        <h2>About the piece</h2>
        <ElForm label-position="top" class="piece-form" @submit.prevent="save">
            <ElFormItem label="Title" for="piece-title"><ElInput id="piece-title" v-model="given.title" maxlength="200" /></ElFormItem>
            <ElFormItem label="Composer" for="piece-composer"><ElInput id="piece-composer" v-model="given.composer" maxlength="200" /></ElFormItem>
            <ElFormItem label="It is" for="piece-kind">
                <ElSelect id="piece-kind" v-model="given.kind"><ElOption v-for="(words, key) in KINDS" :key="key" :value="key" :label="words" /></ElSelect>
            </ElFormItem>
            <ElFormItem label="Rights" for="piece-rights">
                <ElSelect id="piece-rights" v-model="given.rights"><ElOption v-for="(words, key) in RIGHTS" :key="key" :value="key" :label="words" /></ElSelect>
                <p class="quiet small-print">{{ RIGHTS_MEAN[given.rights] }}</p>
                <p v-if="given.rights !== piece.rights" class="quiet small-print">Links that are open show it so at once.</p>
            </ElFormItem>
            <ElFormItem label="Concert" for="piece-concert">
                <ElSelect id="piece-concert" v-model="given.occasion">
                    <ElOption :value="0" label="none yet" />
                    <ElOption v-for="one in piece.occasions" :key="one.id" :value="one.id" :label="`${one.name}, ${dateWords(one.on)}`" />
                </ElSelect>
                <p v-if="piece.occasions.length === 0" class="quiet small-print"><RouterLink :to="`/ensembles/${piece.ensembleId}/dates`">Add the concert’s date</RouterLink> first.</p>
            </ElFormItem>
            <ElFormItem label="School of bowing" for="piece-bowing">
                <ElSelect id="piece-bowing" v-model="given.bowing">
                    <ElOption :value="AS_THE_CLASS" label="as the class" />
                    <ElOption v-for="(words, key) in BOWINGS" :key="key" :value="key" :label="words" />
                </ElSelect>
            </ElFormItem>
            <ElFormItem label="Level for this piece" for="piece-level">
                <ElSelect id="piece-level" v-model="given.level">
                    <ElOption :value="AS_THE_CLASS" label="as the class" />
                    <ElOption v-for="(words, key) in LEVELS" :key="key" :value="key" :label="words" />
                </ElSelect>
            </ElFormItem>
            <ElFormItem :label="say('Tempo, quarters a minute')" for="piece-tempo">
                <ElInputNumber id="piece-tempo" :model-value="given.tempo ?? undefined" :min="20" :max="300" :placeholder="String(piece.written)" :value-on-clear="null" @update:model-value="(tempo) => (given.tempo = tempo ?? null)" />
                <p class="quiet small-print">Empty: as written, {{ piece.written }}.</p>
            </ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy">Save</ElButton>
        </ElForm>
    </section>
</template>
