<script setup lang="ts">
import type { CarryOver } from '../../contract/bench'
import { capital } from '../../words/format'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

/** What sessions have left with a knife, until somebody ticks it off. */
defineProps<{ left: readonly CarryOver[]; busy: boolean }>()
const emit = defineEmits<{ done: [carryOverId: string] }>()
const formats = useFormats()
</script>

<template>
  <section v-if="left.length > 0" class="heavy-rule">
    <h2>{{ $t('bench.carried') }}</h2>
    <p v-for="one in left" :key="one.id" class="carried">
      <span>{{
        $t('bench.carriedBy', {
          zone: capital($t(`zone.${one.zone}`)),
          what: one.what,
          name: one.leftBy,
          date: formats.shortDay(one.leftAt),
        })
      }}</span>
      <AppButton class="no-print" :disabled="busy" @click="emit('done', one.id)">
        {{ $t('bench.carriedDone') }}
      </AppButton>
    </p>
  </section>
</template>

<style scoped>
.carried {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 4px 0;
  line-height: 1.35;
}
</style>
