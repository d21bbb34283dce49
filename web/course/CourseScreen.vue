<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { LESSON_IDS, LESSONS } from '../../core/course/lessons'
import { useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import NextPractice from '../practice/NextPractice.vue'

/** The course: every lesson in order, what is done of it, and what to do next. */
const session = useSession()
const formats = useFormats()
const { value: practice } = useResource(endpoints.practice, { params: { id: session.person?.id ?? '' } })
const doneOn = computed(() => new Map(practice.value?.lessons.map(({ lesson, at }) => [lesson as string, at])))
const lessons = computed(() =>
  LESSON_IDS.map((id, at) => ({ id, number: at + 1, skill: LESSONS[id].skill, done: doneOn.value.get(id) ?? null })),
)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('course.title') }}</h1>
      <span class="soft">{{ $t('course.all', { done: doneOn.size, all: LESSON_IDS.length }) }}</span>
      <AppButton to="/practice">{{ $t('practice.open') }}</AppButton>
    </header>
    <p class="lead">{{ $t('course.lead') }}</p>
    <NextPractice v-if="practice" :next="practice.next" main />
    <ol class="heavy-rule">
      <li v-for="one in lessons" :key="one.id" :class="{ done: one.done }">
        <span class="num place">{{ one.number }}</span>
        <RouterLink :to="{ name: 'lesson', params: { lesson: one.id } }">{{
          $t(`course.lesson.${one.id}.title`)
        }}</RouterLink>
        <span>{{ $t(`course.lesson.${one.id}.why`) }}</span>
        <span class="soft small">
          {{
            one.done
              ? $t('course.done', { day: formats.shortDay(one.done) })
              : $t('course.about', { skill: $t(`skill.${one.skill}`) })
          }}
        </span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
ol {
  margin-top: 18px;
}
li {
  display: grid;
  grid-template-columns: 34px 190px minmax(0, 1fr) 210px;
  gap: 4px 16px;
  align-items: baseline;
  padding: 9px 0;
  border-bottom: 1px solid var(--rule);
}
li a {
  font-weight: 700;
}
.place {
  font-weight: 700;
  text-align: right;
}
.done .place {
  color: var(--keen);
}
@media (max-width: 800px) {
  li {
    grid-template-columns: 34px minmax(0, 1fr);
  }
  li > :nth-child(n + 3) {
    grid-column: 2;
  }
}
</style>
