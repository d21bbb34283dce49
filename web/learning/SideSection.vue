<script setup lang="ts">
import type { HouseLearning } from '../../contract/learning'
import { useFormats } from '../i18n'

/** The side that takes somebody longer: a hand to be trained, with an exercise. */
defineProps<{ sides: HouseLearning['sides'] }>()
const formats = useFormats()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('house-learned.sides') }}</h2>
    <p class="soft learned-hint">{{ $t('house-learned.sidesHint') }}</p>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('field.name') }}</th>
          <th>{{ $t('house-learned.sideStrokes') }}</th>
          <th>{{ $t('house-learned.sideTimes') }}</th>
          <th>{{ $t('house-learned.says') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="side in sides" :key="side.personId">
          <td>{{ side.name }}</td>
          <td class="num">{{ side.strokes.left }} / {{ side.strokes.right }}</td>
          <td class="num">
            {{ formats.tenths(side.times) }}
            <span class="soft small">{{ formats.tenths(side.low) }}–{{ formats.tenths(side.high) }}</span>
          </td>
          <td>
            {{
              $t('house-learned.sideSays', {
                name: side.name,
                side: $t(`bench.${side.hand}`),
                times: formats.tenths(side.times),
                sessions: side.sessions,
              })
            }}
            {{ $t('house-learned.sideExercise', { side: $t(`bench.${side.hand}`) }) }}
            <RouterLink :to="{ name: 'lesson', params: { lesson: 'second-side' } }">{{
              $t('course.lesson.second-side.title')
            }}</RouterLink>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
