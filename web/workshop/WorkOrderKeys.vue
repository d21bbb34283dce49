<script setup lang="ts">
import type { WorkOrder } from '../../contract/workshop'

/** What becomes of work laid out for a knife: begun now, kept for its time at the bench, or dropped. */
defineProps<{ mayWork: boolean; possible: boolean; saved: WorkOrder | null }>()
const emit = defineEmits<{ start: []; keep: [on: boolean] }>()
</script>

<template>
  <button v-if="mayWork" class="button main no-print" type="button" :disabled="!possible" @click="emit('start')">
    {{ $t('workshop.start') }}
  </button>
  <button v-if="mayWork" class="button no-print" type="button" :disabled="!possible" @click="emit('keep', true)">
    {{ $t('workshop.save') }}
  </button>
  <p v-if="saved" class="soft small">
    {{
      $t(saved.waits ? 'workshop.restWaits' : 'workshop.isSaved', {
        kind: $t(`workshop.kind.${saved.operation.kind}`),
      })
    }}
    <button class="button quiet" type="button" @click="emit('keep', false)">{{ $t('workshop.drop') }}</button>
  </p>
</template>
