<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { dullAheadWords, riskWords, verdictWords } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import EdgeStrip from '../ui/EdgeStrip.vue'
import NextActionButton from '../ui/NextActionButton.vue'

const props = defineProps<{ knife: KnifeView; now: string }>()
const formats = useFormats()
const words = computed(() => verdictWords(props.knife, say, formats.value))
const isDull = computed(() => props.knife.word === 'dull' || props.knife.word === 'out')
const ahead = computed(() =>
  isDull.value ? '' : dullAheadWords(props.knife, say, formats.value, props.now) || riskWords(props.knife, say),
)
</script>

<template>
  <article class="knife">
    <RouterLink class="code num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
    <RouterLink class="strip" :to="{ name: 'knife', params: { code: knife.code } }" tabindex="-1" aria-hidden="true"
      ><EdgeStrip :knife="knife"
    /></RouterLink>
    <p class="say">
      <b>{{ words.what }}</b> {{ words.why }} {{ ahead }}
    </p>
    <NextActionButton :knife="knife" />
  </article>
</template>

<style scoped>
.knife {
  display: grid;
  grid-template-columns: 58px 178px minmax(0, 1fr) 116px;
  gap: 12px;
  align-items: center;
  min-height: 56px;
  padding: 4px 0;
}
.code {
  font-weight: 700;
  text-decoration: none;
  padding-block: 8px;
}
.say {
  line-height: 1.32;
}
@media print {
  .knife {
    grid-template-columns: 58px 178px minmax(0, 1fr) !important;
  }
}
@media screen and (max-width: 700px) {
  .knife {
    grid-template-columns: 62px minmax(0, 1fr) auto;
    gap: 4px 10px;
  }
  .say {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
