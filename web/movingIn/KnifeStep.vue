<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'

/** Two ways of bringing knives in, and their labels. */
const emit = defineEmits<{ settled: [] }>()
const fleet = useFleet()
const count = computed(() => fleet.knives.filter(({ status }) => status !== 'retired').length)
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.knivesHint') }}</p>
    <ul>
      <li>
        <h2>{{ $t('movingIn.haveList') }}</h2>
        <p>{{ $t('movingIn.haveListHint') }}</p>
        <AppButton v-bind="count === 0 ? { kind: 'main' as const } : {}" icon="file" to="/deliveries">{{
          $t('movingIn.bringList')
        }}</AppButton>
      </li>
      <li>
        <h2>{{ $t('movingIn.haveRack') }}</h2>
        <p>{{ $t('movingIn.haveRackHint') }}</p>
        <AppButton icon="tablet" to="/rack-walk">{{ $t('movingIn.walk') }}</AppButton>
      </li>
      <li v-if="count > 0">
        <h2>{{ $t('movingIn.labels') }}</h2>
        <p>{{ $t('movingIn.labelsHint') }}</p>
        <AppButton icon="qrcode" to="/labels">{{ $t('walk.labels') }}</AppButton>
      </li>
    </ul>
    <p class="save-bar">
      <b>{{ say('movingIn.knivesIn', { n: count }) }}</b>
      <AppButton v-if="count > 0" kind="main" @click="emit('settled')">{{ $t('movingIn.knivesRight') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 17rem), 1fr));
  gap: 12px 34px;
}
li {
  display: grid;
  align-content: start;
  justify-items: start;
  gap: 8px;
  padding-top: 12px;
  border-top: 3px solid var(--rule-strong);
}
</style>
