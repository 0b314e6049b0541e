<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { computed } from 'vue'
import { spoken, type Command } from './keys'

const props = defineProps<{ commands: Command[] }>()
const open = defineModel<boolean>({ required: true })

const COLUMNS = [['Walk', 'Page'], ['Bow'], ['Finger'], ['Words']] as const

const columns = computed(() => COLUMNS.map((names) => names.map((name) => ({ name, commands: props.commands.filter(({ group }) => group === name) }))))
</script>

<template>
    <ElDialog v-model="open" title="Keys on the desk" width="1248px" top="2vh">
        <div class="key-sheet">
            <div v-for="groups in columns" :key="groups[0]?.name">
                <section v-for="group in groups" :key="group.name">
                    <h3>{{ group.name }}</h3>
                    <dl>
                        <div v-for="command in group.commands" :key="command.label">
                            <dt><kbd v-for="key in command.keys" :key="key">{{ spoken(key) }}</kbd></dt>
                            <dd>{{ command.label }}</dd>
                        </div>
                    </dl>
                </section>
            </div>
        </div>
    </ElDialog>
</template>
