<script setup lang="ts">
import { computed } from 'vue'
import type { Practice } from '../../contract/practice'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'

/** What to practise next, in one sentence, with the key that opens it. */
const props = defineProps<{ next: Practice['next']; main?: boolean }>()
const sentence = computed(() => {
  const { kind, lesson, hand, why } = props.next
  return say(`practice.next.${why}`, {
    drill: kind ? say(`practice.drill.${kind}`) : '',
    lesson: lesson ? say(`course.lesson.${lesson}.title`) : '',
    hand: hand ? say(`practice.hand.${hand}`) : '',
  })
})
const to = computed(() => {
  const { kind, lesson, hand } = props.next
  if (kind) return { path: '/practice', query: { drill: kind, ...(hand ? { hand } : {}) } }
  return lesson ? { name: 'lesson', params: { lesson } } : '/course'
})
</script>

<template>
  <p class="next">
    <b>{{ sentence }}</b>
    <AppButton v-bind="main ? { kind: 'main' } : {}" :to="to">{{ $t('course.next') }}</AppButton>
  </p>
</template>

<style scoped>
.next {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  margin-top: 12px;
  font-size: 1.1rem;
}
</style>
