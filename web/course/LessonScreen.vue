<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { LESSON_IDS, LESSONS, type Figure, type Lesson, type LessonId } from '../../core/course/lessons'
import { call } from '../api'
import { useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import CheckField from '../ui/CheckField.vue'
import TermText from '../ui/TermText.vue'
import MovementFigure from './MovementFigure.vue'

/** One lesson on one page: the movement drawn, how it feels, what goes wrong, a drill and a question. */
const props = defineProps<{ lesson: string }>()
const session = useSession()
const notices = useNotices()
const formats = useFormats()
const route = useRoute()
const id = computed((): LessonId => LESSON_IDS.find((one) => one === props.lesson) ?? 'safety')
const place = computed(() => LESSON_IDS.indexOf(id.value))
const told = computed((): Lesson => LESSONS[id.value])
const text = (part: string): string => `course.lesson.${id.value}.${part}`
const MISTAKES: Partial<Record<LessonId, number>> = { 'first-stone': 3 }
const mistakes = computed(() => Array.from({ length: MISTAKES[id.value] ?? 2 }, (_, at) => at + 1))

const { value: ways } = useResource(endpoints.ways)
/** What this house, or this person, chose where the trade disagrees; null where nobody chose. */
const chosen = computed(() => {
  const { way } = told.value
  return way ? (ways.value?.own[way] ?? ways.value?.house[way] ?? null) : null
})
/** Where the house says which way presses, the arrows say so too. */
const figures = computed(() =>
  told.value.figures.map((figure): Figure =>
    figure.view === 'above' && (chosen.value === 'push' || chosen.value === 'pull')
      ? { ...figure, press: chosen.value }
      : figure,
  ),
)
const switchesHands = computed(() => (ways.value?.own['hands'] ?? ways.value?.house['hands']) === 'switch')
const leftHanded = useLocalStorage('yorvik.left-handed', false)

const { value: practice, reload } = useResource(endpoints.practice, { params: { id: session.person?.id ?? '' } })
const doneOn = computed(() => practice.value?.lessons.find((one) => one.lesson === id.value)?.at ?? null)
const given = ref<number | null>(null)
const isRight = ref<boolean | null>(null)
watch(id, () => {
  given.value = null
  isRight.value = null
})
async function answer(at: number): Promise<void> {
  given.value = at
  try {
    isRight.value = (await call(endpoints.answerLesson, { params: { lesson: id.value }, body: { answer: at } })).right
    if (isRight.value) await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
/** A step of a session that led here is gone back to. */
const from = computed(() => {
  const { from: path } = route.query
  return typeof path === 'string' && path.startsWith('/bench/') ? path : null
})
const beside = (step: -1 | 1): LessonId | null => LESSON_IDS[place.value + step] ?? null
const to = (other: LessonId): object => ({ name: 'lesson', params: { lesson: other } })
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t(text('title')) }}</h1>
      <span class="soft">{{ $t('course.of', { n: place + 1, all: LESSON_IDS.length }) }}</span>
      <AppButton v-if="from" kind="main" :to="from">{{ $t('course.back') }}</AppButton>
    </header>
    <div class="lesson">
      <div class="drawn">
        <MovementFigure
          v-for="(figure, at) in figures"
          :key="`${id} ${at}`"
          :figure="figure"
          :left-handed="leftHanded"
          :switches-hands="switchesHands"
        />
        <CheckField
          v-if="told.figures.some(({ view }) => view === 'above')"
          v-model="leftHanded"
          :label="$t('course.left')"
        />
      </div>
      <div>
        <p class="why"><TermText :text="$t(text('why'))" /></p>
        <ol class="how">
          <li v-for="at in 3" :key="at"><TermText :text="$t(text(`how.${at}`))" /></li>
        </ol>
        <p v-if="chosen" class="way">{{ $t(text(`ways.${chosen}`)) }}</p>
        <h2>{{ $t('course.mistakes') }}</h2>
        <dl>
          <template v-for="at in mistakes" :key="at">
            <dt>{{ $t(text(`wrong.${at}.sign`)) }}</dt>
            <dd>{{ $t(text(`wrong.${at}.cure`)) }}</dd>
          </template>
        </dl>
        <p>
          <AppButton :to="{ path: '/practice', query: { drill: told.drill } }">{{ $t('course.practise') }}</AppButton>
        </p>
      </div>
    </div>
    <section class="heavy-rule test">
      <h2>{{ $t('course.test') }}</h2>
      <p class="ask">{{ $t(text('ask')) }}</p>
      <div class="answers">
        <AppButton v-for="at in [0, 1, 2]" :key="at" big :aria-pressed="given === at" @click="answer(at)">{{
          $t(text(`answers.${at}`))
        }}</AppButton>
      </div>
      <p role="status" class="told">
        <template v-if="isRight !== null">{{ $t(isRight ? 'course.right' : 'course.wrongAnswer') }}</template>
        <template v-else-if="doneOn">{{ $t('course.already', { day: formats.shortDay(doneOn) }) }}</template>
      </p>
      <p class="beside">
        <AppButton v-if="beside(-1)" :to="to(beside(-1) ?? id)">{{ $t('course.before') }}</AppButton>
        <AppButton to="/course">{{ $t('course.title') }}</AppButton>
        <AppButton v-if="beside(1)" v-bind="isRight ? { kind: 'main' } : {}" :to="to(beside(1) ?? id)">{{
          $t('course.after')
        }}</AppButton>
      </p>
    </section>
  </div>
</template>

<style scoped>
.lesson {
  display: grid;
  grid-template-columns: minmax(0, 1.05fr) minmax(0, 1fr);
  gap: 12px 34px;
  align-items: start;
}
.drawn {
  display: grid;
  gap: 14px;
}
.why {
  font-size: 1.3rem;
  font-weight: 700;
  line-height: 1.35;
}
.how {
  display: grid;
  gap: 10px;
  margin: 14px 0;
  padding-left: 1.4em;
  list-style: decimal;
  font-size: 1.15rem;
  line-height: 1.4;
}
.way {
  padding-left: 12px;
  border-left: 4px solid var(--rule-strong);
}
h2 {
  margin-top: 16px;
}
dl {
  display: grid;
  gap: 4px;
  margin: 8px 0 16px;
}
dt {
  font-weight: 700;
}
dd {
  margin: 0 0 8px;
}
.test {
  margin-top: 18px;
}
.ask {
  font-size: 1.2rem;
  font-weight: 700;
}
.answers,
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 10px 0;
}
.told {
  min-height: 1.5em;
  font-weight: 700;
}
@media (max-width: 900px) {
  .lesson {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
