<script setup lang="ts">
import { computed } from 'vue'
import { DRILL_KINDS } from '../../contract/practice'
import { endpoints } from '../../contract/endpoints'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import DrillHistory from './DrillHistory.vue'

/** What somebody has practised and learned, as their chef may see it. */
const props = defineProps<{ person: string }>()
const fleet = useFleet()
const formats = useFormats()
const { value: practice, refusal } = useResource(endpoints.practice, () => ({ params: { id: props.person } }))
const kinds = computed(() =>
  DRILL_KINDS.filter((kind) => practice.value?.drills.some(({ drill }) => drill.kind === kind)),
)
const lessons = computed(() =>
  (practice.value?.lessons ?? [])
    .map(({ lesson, at }) => `${say(`course.lesson.${lesson}.title`)} (${formats.value.shortDay(at)})`)
    .join(', '),
)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ fleet.people.get(person)?.name }}</h1>
      <span class="soft">{{ $t('place.practice') }}</span>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="practice">
      <p v-if="practice.drills.length === 0 && practice.lessons.length === 0" class="lead">
        {{ $t('practice.nothingYet') }}
      </p>
      <p v-if="lessons">{{ $t('shell.pair', { name: $t('course.title'), value: lessons }) }}</p>
      <section v-for="kind in kinds" :key="kind">
        <h2>{{ $t(`practice.drill.${kind}`) }}</h2>
        <DrillHistory :drills="practice.drills" :kind="kind" />
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 18px;
}
</style>
