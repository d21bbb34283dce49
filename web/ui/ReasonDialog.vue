<script setup lang="ts">
import { ref, watch } from 'vue'
import { payloads } from '../../contract/events'
import AppButton from './AppButton.vue'
import AppDialog from './AppDialog.vue'
import AppForm from './AppForm.vue'
import TextField from './TextField.vue'

defineProps<{ title: string; hint: string; action: string; suggestions?: readonly string[] }>()
const emit = defineEmits<{ given: [reason: string] }>()
const visible = defineModel<boolean>('visible', { required: true })
const reason = ref('')
watch(visible, (open) => {
  if (open) reason.value = ''
})
</script>

<template>
  <AppDialog v-model:visible="visible" :title="title" narrow>
    <AppForm
      :schema="payloads.quarantined"
      :draft="() => ({ reason })"
      :send="async (given) => emit('given', given.reason)"
    >
      <p class="soft">{{ hint }}</p>
      <div v-if="suggestions" class="suggestions">
        <AppButton v-for="text in suggestions" :key="text" @click="emit('given', text)">
          {{ text }}
        </AppButton>
      </div>
      <TextField v-model="reason" name="reason" :label="$t('field.reason')" />
      <div class="dialog-actions">
        <AppButton kind="quiet" @click="visible = false">{{ $t('shell.cancel') }}</AppButton>
        <AppButton kind="main" type="submit">{{ action }}</AppButton>
      </div>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
.suggestions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
