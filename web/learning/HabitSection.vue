<script setup lang="ts">
import { computed } from 'vue'
import type { HouseLearning } from '../../contract/learning'
import { habitWords } from '../../words/habit'
import { say } from '../i18n'

/** How each person's knives are honed: what is logged, and what their edges tell of the rest. */
const props = defineProps<{ habits: HouseLearning['habits'] }>()
const rows = computed(() => props.habits.map((habit) => ({ habit, words: habitWords(habit, say) })))
const percent = (share: number): string => `${Math.round(100 * share)} %`
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('house-learned.habits') }}</h2>
    <p class="soft learned-hint">{{ $t('house-learned.habitsHint') }}</p>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('field.name') }}</th>
          <th>{{ $t('house-learned.honedShare') }}</th>
          <th>{{ $t('house-learned.loggedShare') }}</th>
          <th>{{ $t('house-learned.says') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ habit, words } in rows" :key="habit.personId">
          <td>{{ habit.name }}</td>
          <td class="num">
            {{ percent(habit.honed)
            }}<span class="soft small band">{{ Math.round(100 * habit.low) }}–{{ percent(habit.high) }}</span>
          </td>
          <td class="num">{{ percent(habit.logged) }}</td>
          <td>{{ words }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.band {
  display: block;
}
</style>
