<script setup lang="ts">
import { computed } from 'vue'
import type { EdgeStory, KnifeView } from '../../contract/knives'
import { knifeLessons, mismatchWords } from '../../words/learned'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import TermText from '../ui/TermText.vue'

const props = defineProps<{ story: EdgeStory; knife: KnifeView }>()
const formats = useFormats()
const fleet = useFleet()
const mismatch = computed(() =>
  mismatchWords(props.knife, fleet.people.get(props.knife.holderId ?? '')?.name ?? '', say, formats.value),
)
const lessons = computed(() => knifeLessons(props.story, say, formats.value))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('learned.title') }}</h2>
    <p v-if="mismatch" class="mismatch">{{ mismatch }}</p>
    <ul>
      <li v-for="lesson in lessons" :key="lesson"><TermText :text="lesson" /></li>
    </ul>
  </section>
</template>

<style scoped>
li {
  padding: 5px 0;
  line-height: 1.35;
}
.mismatch {
  margin: 8px 0 4px;
  padding-left: 10px;
  border-left: 4px solid var(--ember);
  font-weight: 600;
  line-height: 1.35;
}
</style>
