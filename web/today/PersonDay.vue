<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import HonedAllButton from '../ui/HonedAllButton.vue'
import { toBeHoned, type PersonDay } from './dayList'
import JudgeList from './JudgeList.vue'
import HoneList from './HoneList.vue'
import PressingKnife from './PressingKnife.vue'

const props = defineProps<{ day: PersonDay; now: string }>()
const fleet = useFleet()
const all = computed(() => [...props.day.pressing, ...props.day.toHone, ...props.day.fine])
const toHone = computed(() => toBeHoned(all.value))
const stations = computed(() =>
  [...new Set(all.value.map((knife) => fleet.stations.get(knife.stationId)?.name ?? ''))].join(', '),
)
</script>

<template>
  <section class="person" :aria-label="day.person.name">
    <header>
      <h2>{{ day.person.name }}</h2>
      <p class="soft small">{{ stations }}</p>
      <HonedAllButton
        v-if="toHone.length > 1"
        class="no-print"
        :knives="toHone"
        :label="$t('today.honedAllOf', { name: day.person.name })"
      />
    </header>
    <div class="work">
      <PressingKnife v-for="knife in day.pressing" :key="knife.id" :knife="knife" :now="now" />
      <HoneList v-if="day.toHone.length > 0" :knives="day.toHone" />
      <JudgeList v-if="day.toJudge.length > 0" :knives="day.toJudge" />
      <p v-if="day.fine.length > 0" class="soft small fine">
        {{ say('today.fine', { n: day.fine.length, codes: day.fine.map((knife) => knife.code).join(', ') }) }}
      </p>
    </div>
  </section>
</template>

<style scoped>
/* people below the fold are laid out when they come into view */
.person {
  content-visibility: auto;
  contain-intrinsic-size: auto 170px;
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  gap: 0 14px;
  border-top: 1px solid var(--rule);
  padding: 10px 0 12px;
}
header {
  padding-top: 8px;
}
.fine {
  padding-top: 4px;
}
@media print {
  .person {
    content-visibility: visible;
    break-inside: avoid;
  }
}
@media screen and (max-width: 700px) {
  .person {
    grid-template-columns: minmax(0, 1fr);
  }
  header {
    display: flex;
    gap: 10px;
    align-items: baseline;
  }
}
</style>
