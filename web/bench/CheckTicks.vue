<script setup lang="ts">
import type { Check } from '../../core/session/recipe'
import CheckField from '../ui/CheckField.vue'

defineProps<{ checks: readonly Check[]; ticked: readonly string[]; compact?: boolean }>()
const emit = defineEmits<{ tick: [check: Check, done: boolean] }>()
</script>

<template>
  <ul v-if="checks.length > 0" :class="{ compact }">
    <li v-for="check in checks" :key="check">
      <CheckField
        :model-value="ticked.includes(check)"
        :label="$t(`bench.check.${check}`)"
        @update:model-value="emit('tick', check, $event)"
      />
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  gap: 8px;
}
.compact {
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 0 16px;
}
li {
  min-height: 56px;
  padding: 6px 12px;
  border-bottom: 1px solid var(--rule);
  font-size: 1.05rem;
}
</style>
