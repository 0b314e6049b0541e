<script setup lang="ts">
import { say } from '../stores/say'
import { ElDialog, ElSwitch } from 'element-plus'
import { computed } from 'vue'
import { isSingle, spoken, type Command } from '../marks/keys'

const props = defineProps<{ commands: Command[] }>()
const open = defineModel<boolean>({ required: true })
const singles = defineModel<boolean>('singles', { required: true })

const COLUMNS = [['Walk'], ['Take', 'Page'], ['Bow', 'Words'], ['Finger', 'Players']] as const

const columns = computed(() => COLUMNS.map((names) => names.map((name) => ({ name, commands: props.commands.filter(({ group }) => group === name) }))))
</script>

<template>
    <ElDialog v-model="open" title="Keys on the desk" width="1248px" top="2vh">
        <p class="single-keys"><ElSwitch v-model="singles" aria-label="Single keys" active-text="Single keys" /> <span class="quiet">Off: letters, digits and signs by themselves do nothing; the buttons, arrows, Enter and Esc do. For speech input, or where a slip of the hand must do nothing.</span></p>
        <div class="key-sheet" :class="{ 'no-singles': !singles }">
            <div v-for="groups in columns" :key="groups[0]?.name">
                <section v-for="group in groups" :key="group.name">
                    <h3>{{ group.name }}</h3>
                    <dl>
                        <div v-for="command in group.commands" :key="command.label" :class="{ off: !singles && command.keys.every(isSingle) }">
                            <dt><kbd v-for="key in command.keys" :key="key">{{ spoken(key) }}</kbd></dt>
                            <dd>{{ say(command.label) }}</dd>
                        </div>
                    </dl>
                </section>
            </div>
        </div>
    </ElDialog>
</template>
