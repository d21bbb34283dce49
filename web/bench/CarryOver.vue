<script setup lang="ts">
import { ref } from 'vue'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { SessionState } from '../../core/session/session'
import { capital } from '../../words/format'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'

defineProps<{ carried: SessionState['carryOver'] }>()
const emit = defineEmits<{ leave: [zone: Zone, what: string] }>()
const what = ref('')
const zone = ref<Zone>('heel')
function leave(): void {
  if (what.value.trim() === '') return
  emit('leave', zone.value, what.value.trim())
  what.value = ''
}
</script>

<template>
  <details>
    <summary>{{ $t('bench.carryOver') }}</summary>
    <p class="soft small">{{ $t('bench.carryOverHint') }}</p>
    <form @submit.prevent="leave">
      <div role="group" :aria-label="$t('curve.zone')" class="zones">
        <AppButton
          v-for="one in ZONES"
          :key="one"
          :class="{ main: zone === one }"
          :aria-pressed="zone === one"
          @click="zone = one"
        >
          {{ $t(`zone.${one}`) }}
        </AppButton>
      </div>
      <TextField v-model="what" :label="$t('bench.carryWhat')" />
      <AppButton type="submit" :disabled="what.trim() === ''">{{ $t('bench.carryOver') }}</AppButton>
    </form>
  </details>
  <p v-for="one in carried" :key="one.zone + one.what" class="small">
    {{ $t('bench.carriedOver', { zone: capital($t(`zone.${one.zone}`)), what: one.what }) }}
  </p>
</template>

<style scoped>
summary {
  min-height: 48px;
  padding: 12px 0;
  cursor: pointer;
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.zones {
  display: flex;
  gap: 8px;
}
</style>
