<script setup lang="ts">
import { computed } from 'vue'
import type { Person } from '../../contract/house'
import type { Shift } from '../../contract/week'
import type { Skill } from '../../core/house/skills'
import AppButton from '../ui/AppButton.vue'
import CheckField from '../ui/CheckField.vue'
import { WEEKDAYS, weekdayName } from '../ui/weekdays'

/** Somebody of a house that moves in: the days they are there, and whether they sharpen on stones. */
const props = defineProps<{ person: Person; shifts: readonly Shift[]; skills: readonly Skill[] }>()
const emit = defineEmits<{ days: [days: readonly number[]]; skills: [skills: readonly Skill[]] }>()
const STONE_WORK: readonly Skill[] = ['hone', 'maintenance', 'full']
const days = computed(() => WEEKDAYS.filter((day) => props.shifts.some(({ weekday }) => weekday === day)))
const onStones = computed({
  get: () => STONE_WORK.every((skill) => props.skills.includes(skill)),
  set: (may) => {
    const others = props.skills.filter((skill) => !STONE_WORK.includes(skill))
    emit('skills', may ? [...STONE_WORK, ...others] : [...others, 'hone'])
  },
})
const turn = (day: number): void => {
  emit(
    'days',
    WEEKDAYS.filter((one) => (one === day ? !days.value.includes(one as never) : days.value.includes(one))),
  )
}
</script>

<template>
  <li :data-person="person.name">
    <span class="who">
      <b>{{ person.name }}</b> <span class="soft">{{ $t(`person.${person.role}`) }}</span>
    </span>
    <span class="days" role="group" :aria-label="$t('movingIn.daysOf', { name: person.name })">
      <AppButton
        v-for="day in WEEKDAYS"
        :key="day"
        small
        :aria-pressed="days.includes(day)"
        :aria-label="weekdayName(day)"
        @click="turn(day)"
        >{{ weekdayName(day, 'short') }}</AppButton
      >
    </span>
    <CheckField v-model="onStones" :label="$t('movingIn.onStones')" />
  </li>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}
.days {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.days :deep([aria-pressed='true']) {
  background: var(--slate);
  color: var(--on-slate);
}
.who {
  flex: 0 1 14rem;
  min-width: 0;
  overflow-wrap: anywhere;
}
</style>
