<script setup lang="ts">
import type { Check } from '../../core/session/recipe'
import AppButton from '../ui/AppButton.vue'

defineProps<{ checks: readonly Check[]; ticked: readonly string[]; compact?: boolean }>()
const emit = defineEmits<{ tick: [check: Check, done: boolean] }>()
</script>

<template>
  <ul v-if="checks.length > 0" :class="{ compact }">
    <li v-for="check in checks" :key="check">
      <AppButton
        kind="bare"
        role="checkbox"
        :aria-checked="ticked.includes(check)"
        @click="emit('tick', check, !ticked.includes(check))"
      >
        <span class="box" aria-hidden="true">{{ ticked.includes(check) ? '✓' : '' }}</span>{{
          $t(`bench.check.${check}`)
        }}
      </AppButton>
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
button {
  display: flex;
  align-items: center;
  gap: 12px;
  width: 100%;
  min-height: 56px;
  padding: 6px 12px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  font-size: 1.05rem;
  text-align: left;
  cursor: pointer;
}
.box {
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 2px solid var(--ink);
  border-radius: 4px;
  font-weight: 700;
}
[aria-checked='true'] .box {
  background: var(--keen);
  border-color: var(--keen);
  color: var(--ground);
}
</style>
