<script setup lang="ts">
import type { WorkOrder } from '../../contract/workshop'
import AppButton from '../ui/AppButton.vue'

/** What becomes of work laid out for a knife: begun now, kept for its time at the bench, or dropped. */
defineProps<{ mayWork: boolean; possible: boolean; saved: WorkOrder | null }>()
const emit = defineEmits<{ start: []; keep: [on: boolean] }>()
</script>

<template>
  <AppButton kind="main" v-if="mayWork" class="no-print" :disabled="!possible" @click="emit('start')">
    {{ $t('workshop.start') }}
  </AppButton>
  <AppButton v-if="mayWork" class="no-print" :disabled="!possible" @click="emit('keep', true)">
    {{ $t('workshop.save') }}
  </AppButton>
  <p v-if="saved" class="soft small">
    {{
      $t(saved.waits ? 'workshop.restWaits' : 'workshop.isSaved', {
        kind: $t(`workshop.kind.${saved.operation.kind}`),
      })
    }}
    <AppButton kind="quiet" @click="emit('keep', false)">{{ $t('workshop.drop') }}</AppButton>
  </p>
</template>
