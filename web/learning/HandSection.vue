<script setup lang="ts">
import { computed } from 'vue'
import type { HouseLearning } from '../../contract/learning'
import type { LessonId } from '../../core/course/lessons'
import { say, useFormats } from '../i18n'
import WhiskerChart, { type Whisker } from './WhiskerChart.vue'

const props = defineProps<{ hands: HouseLearning['hands']; words: readonly string[] }>()
/** A word for each hand; those that stand out come first. */
const told = computed(() =>
  props.hands
    .map((hand, index) => ({ hand, words: props.words[index] ?? '' }))
    .sort((a, b) => b.hand.whole.factor - a.hand.whole.factor),
)
const whiskers = computed(() =>
  told.value.flatMap(({ hand }) =>
    hand.zones.map(({ zone, effect }): Whisker => ({
      name: `${hand.name}, ${say(`zone.${zone}`)}`,
      middle: effect.factor,
      low: effect.low,
      high: effect.high,
      silent: effect.says === 'nothing',
    })),
  ),
)
/** The lesson that answers what a hand leaves duller than the house does. */
const LESSON_OF = { heel: 'heel-tip', belly: 'first-stone', tip: 'curve' } as const
const lessonsFor = ({ zones }: HouseLearning['hands'][number]): LessonId[] =>
  zones.filter(({ effect }) => effect.says === 'more').map(({ zone }) => LESSON_OF[zone])
const formats = useFormats()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('house-learned.hands') }}</h2>
    <p class="soft learned-hint">{{ $t('house-learned.handsHint') }}</p>
    <p
      v-for="{ hand, words: sentence } in told"
      :key="hand.personId"
      :class="hand.zones.some(({ effect }) => effect.says === 'more') ? 'learned-finding' : 'other soft'"
    >
      {{ sentence }}
      <RouterLink v-for="lesson in lessonsFor(hand)" :key="lesson" :to="{ name: 'lesson', params: { lesson } }">{{
        $t(`course.lesson.${lesson}.title`)
      }}</RouterLink>
    </p>
    <div class="chart-and-table">
      <WhiskerChart :what="$t('house-learned.hands')" :rows="whiskers" :reference="1" />
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('house-learned.what') }}</th>
            <th v-for="zone in ['heel', 'belly', 'tip']" :key="zone">{{ $t(`zone.${zone}`) }}</th>
            <th>{{ $t('house-learned.life') }}</th>
            <th>{{ $t('house-learned.readings') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ hand } in told" :key="hand.personId">
            <td>{{ hand.name }}</td>
            <td
              v-for="{ key, effect } in [
                ...hand.zones.map((one) => ({ key: one.zone, effect: one.effect })),
                { key: 'life', effect: hand.life },
              ]"
              :key="key"
              class="num"
            >
              <span v-if="effect.says === 'nothing'" class="soft" :title="$t('house-learned.silent')">—</span>
              <template v-else
                >{{ formats.ratio(effect.factor)
                }}<span class="soft small band"
                  >{{ formats.ratio(effect.low) }}–{{ formats.ratio(effect.high) }}</span
                ></template
              >
            </td>
            <td class="num">{{ hand.readings }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.band {
  display: block;
}
</style>
