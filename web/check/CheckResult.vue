<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { ZONES } from '../../core/knife/zones'
import { dullAheadWords, runnerUpWords, verdictWords } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import NextActionButton from '../ui/NextActionButton.vue'
import { useKeys } from '../ui/useKeys'

const props = defineProps<{ before: KnifeView; after: KnifeView }>()
const emit = defineEmits<{ undo: []; again: []; leave: [] }>()
const formats = useFormats()
const fleet = useFleet()
const was = computed(() => verdictWords(props.before, say, formats.value))
const now = computed(() => verdictWords(props.after, say, formats.value))
const ahead = computed(() =>
  props.after.word === 'dull' || props.after.word === 'out'
    ? ''
    : dullAheadWords(props.after, say, formats.value, fleet.fleet?.now ?? ''),
)
const otherwise = computed(() => runnerUpWords(props.after, say, formats.value))
useKeys({
  Escape: () => {
    emit('leave')
  },
  Enter: () => {
    emit('leave')
  },
})
</script>

<template>
  <div class="result">
    <EdgeStrip :knife="after" large />
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('check.spot') }}</th>
          <th>{{ $t('check.before') }}</th>
          <th>{{ $t('check.now') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="zone in ZONES" :key="zone">
          <td>
            <b>{{ $t(`zone.${zone}`) }}</b>
          </td>
          <td class="num soft">
            {{ formats.force(before.zones[zone].forceGf) }}, {{ $t(`edge.${before.zones[zone].word}`) }}
          </td>
          <td class="num">
            <b>{{ formats.force(after.zones[zone].forceGf) }}</b>, {{ $t(`edge.${after.zones[zone].word}`) }}
          </td>
        </tr>
      </tbody>
    </table>
    <div aria-live="polite">
      <p class="verdict" data-test="verdict">
        <b>{{ now.what }}</b> {{ now.why }} {{ ahead }} <span class="soft">{{ otherwise }}</span>
      </p>
      <p v-if="was.what !== now.what" class="soft">{{ $t('check.insteadOf', { what: was.what }) }}</p>
      <p v-if="after.verdict.action === 'quarantine'" class="soft">{{ $t('caution.unsafe') }}</p>
    </div>
    <footer>
      <AppButton big @click="emit('undo')">{{ $t('shell.undo') }}</AppButton>
      <AppButton big @click="emit('again')">{{ $t('check.again') }}</AppButton>
      <NextActionButton :knife="after" class="big" />
      <AppButton kind="main" big @click="emit('leave')"> {{ $t('check.toToday') }} <kbd>Enter</kbd> </AppButton>
    </footer>
  </div>
</template>

<style scoped>
.result {
  display: grid;
  gap: 18px;
  padding: 20px 26px;
  max-width: 1000px;
}
.verdict {
  font-size: 1.4rem;
  line-height: 1.35;
}
footer {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
td,
th {
  font-size: 1.1rem !important;
}
</style>
