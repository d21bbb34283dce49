<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { useSession } from '../stores/session'
import AppButton from './AppButton.vue'
import HonedButton from './HonedButton.vue'

/** The one button beside a verdict: what this person can do about it from here. */
const props = defineProps<{ knife: KnifeView }>()
const session = useSession()
const NEEDS_SHARPENER = new Set(['stone', 'touch-up', 'repair', 'thin'])
const action = computed(() => props.knife.verdict.action)
const opens = computed(() => {
  const params = { code: props.knife.code }
  if (NEEDS_SHARPENER.has(action.value) && session.may('log-sharpening'))
    return { to: { name: 'bench', params }, key: 'bench' }
  if (action.value === 'quarantine')
    return { to: { name: 'knife', params, query: { do: 'quarantine' } }, key: 'takeOut' }
  if (action.value === 'change-role') return { to: { name: 'knife', params }, key: 'open' }
  return { to: { name: 'check', params }, key: 'check' }
})
</script>

<template>
  <HonedButton v-if="action === 'hone'" :knife="knife" />
  <AppButton v-else :to="opens.to" :aria-label="$t('next.of', { action: $t(`next.${opens.key}`), code: knife.code })">{{
    $t(`next.${opens.key}`)
  }}</AppButton>
</template>
