<script setup lang="ts">
import AppDialog from './AppDialog.vue'

const visible = defineModel<boolean>('visible', { required: true })
const KEYS = ['/', '?', 't', 'r', 'Esc', '0–9', 'Enter', 'h b t', 'c', 'h'] as const
</script>

<template>
  <AppDialog v-model:visible="visible" :title="$t('keys.title')" narrow>
    <dl>
      <template v-for="(key, index) in KEYS" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ $t(`keys.k${index}`) }}</dd>
      </template>
    </dl>
  </AppDialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 90px 1fr;
  gap: 8px 12px;
}
kbd {
  font: 600 0.95rem var(--face);
  border: 1.5px solid var(--steel-line);
  border-radius: 4px;
  padding: 1px 8px;
}
</style>
