<script setup lang="ts">
import { ElAlert, ElButton, ElMessage } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api } from '../api/client'
import type { Habit, HabitPlace, Habits, Profile, ProfileTrial } from '../api/types'
import { useAttempt } from '../components/attempt'
import Score from '../page/Score.vue'
import { say } from '../stores/say'
import { changeWords } from './words'
import { dayWords } from '../stores/days'

/** What was understood about how its director marks: with the places, what it would change, and nothing changed until it is taken. */
const { ensemble, profile } = defineProps<{ ensemble: number; profile: Profile }>()
const emit = defineEmits<{ changed: [] }>()
const habits = ref<Habits | null>(null)
const looked = ref('')
const trial = ref<ProfileTrial | null>(null)
const { fault, busy, attempt } = useAttempt()

/** Places that are shown of each. */
const MOST_PLACES = 6

const SAID = {
    taken: 'Taken, as a new profile. It can be taken back below.',
    later: 'Not now: it is told again in a week, if it still holds.',
    never: 'This is not told again.',
    back: 'Taken back. All else stays as it is.',
}
type Answer = keyof typeof SAID

const shown = computed(() => habits.value !== null && (habits.value.habits.length > 0 || habits.value.taken.length > 0))

const where = ({ measure, beat }: HabitPlace) => `${say(`measure ${measure}`)}, beat ${Math.round(beat * 100) / 100}`

const load = () =>
    attempt(async () => {
        habits.value = await api.habits(ensemble)
    })

const look = (habit: Habit) =>
    attempt(async () => {
        looked.value = habit.what
        trial.value = null
        trial.value = await api.tryProfile(ensemble, null, { settings: habit.settings, style: profile.style, directors: profile.directors })
    })

async function answer(what: string, said: Answer, everywhere = false): Promise<void> {
    if (await attempt(() => api.answerHabit(ensemble, what, said, everywhere))) {
        ElMessage.success(SAID[said])
        looked.value = ''
        if (said === 'taken' || said === 'back') {
            emit('changed')
        } else {
            await load()
        }
    }
}

onMounted(load)
</script>

<template>
    <p v-if="habits === null && !fault" class="quiet small-print" role="status">Looking at how you mark …</p>
    <section v-if="shown || fault" class="habits" aria-labelledby="habits-title">
        <h2 id="habits-title">How you mark</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <template v-if="habits">
            <p v-if="habits.habits.length > 0">Of your {{ habits.decisions }} decisions here that tell something, we would have proposed {{ habits.before }}; with what follows {{ habits.after }}, counting in each piece only what your other pieces say. Nothing changes unless you take it.</p>
            <article v-for="habit in habits.habits" :key="habit.what" class="habit">
                <h3>{{ habit.sentence }}</h3>
                <p class="quiet">{{ habit.evidence }}</p>
                <ul class="habit-places">
                    <li v-for="place in habit.better.slice(0, MOST_PLACES)" :key="`${place.part} ${place.note}`">
                        <RouterLink :to="`/parts/${place.part}?note=${encodeURIComponent(place.note)}`">{{ place.title }}, {{ where(place) }}</RouterLink>: {{ place.chosen }}, not {{ place.proposed }}
                    </li>
                    <li v-if="habit.better.length > MOST_PLACES" class="quiet">and {{ habit.better.length - MOST_PLACES }} more</li>
                    <li v-for="place in habit.worse.slice(0, 2)" :key="`not ${place.part} ${place.note}`" class="quiet">
                        but <RouterLink :to="`/parts/${place.part}?note=${encodeURIComponent(place.note)}`">{{ place.title }}, {{ where(place) }}</RouterLink>: {{ place.chosen }}
                    </li>
                </ul>
                <div class="habit-buttons">
                    <ElButton size="small" :loading="busy && looked === habit.what && trial === null" @click="look(habit)">What would change</ElButton>
                    <ElButton size="small" type="primary" :disabled="busy" @click="answer(habit.what, 'taken')">Make it the rule for {{ profile.ensemble }}</ElButton>
                    <ElButton v-if="habits.others > 0" size="small" :disabled="busy" @click="answer(habit.what, 'taken', true)">For all of mine</ElButton>
                    <ElButton size="small" text :disabled="busy" @click="answer(habit.what, 'later')">Not now</ElButton>
                    <ElButton size="small" text :disabled="busy" @click="answer(habit.what, 'never')">Never here</ElButton>
                    <ElButton v-if="habits.others > 0" size="small" text :disabled="busy" @click="answer(habit.what, 'never', true)">Never anywhere</ElButton>
                </div>
                <div v-if="looked === habit.what && trial" aria-live="polite">
                    <p v-if="trial.changes.length === 0" class="quiet">Nothing in the {{ trial.looked }} parts that are on the shelf.</p>
                    <ul v-else class="profile-changes"><li v-for="change in trial.changes" :key="`${change.title} ${change.part}`"><strong>{{ change.title }}</strong>, {{ change.part }}: {{ changeWords(change) }}</li></ul>
                    <div v-if="profile.sample" class="paper habit-line" tabindex="0" role="region" aria-label="A line of this class’s music"><Score :music="profile.sample.music" :name="profile.sample.musicName" :layer="trial.layer" :width="1800" :label="`${profile.sample.title} with this`" /></div>
                </div>
            </article>
            <ul v-if="habits.taken.length > 0" class="habits-taken" aria-label="Made the rule">
                <li v-for="one in habits.taken" :key="one.what"><span><strong>The rule since {{ dayWords(one.at) }}:</strong> {{ one.sentence }}</span> <ElButton size="small" :disabled="busy" @click="answer(one.what, 'back')">Take it back</ElButton></li>
            </ul>
        </template>
    </section>
</template>
