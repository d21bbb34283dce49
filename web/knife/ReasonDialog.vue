<script setup lang="ts">
import { ref, watch } from 'vue'
import AppDialog from '../ui/AppDialog.vue'
import TextField from '../ui/TextField.vue'

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
    <form @submit.prevent="emit('given', reason.trim())">
      <p class="soft">{{ hint }}</p>
      <div v-if="suggestions" class="suggestions">
        <button v-for="text in suggestions" :key="text" class="button" type="button" @click="emit('given', text)">
          {{ text }}
        </button>
      </div>
      <TextField v-model="reason" :label="$t('field.reason')" maxlength="500" />
      <div class="dialog-actions">
        <button class="button quiet" type="button" @click="visible = false">{{ $t('shell.cancel') }}</button>
        <button class="button main" type="submit" :disabled="reason.trim() === ''">{{ action }}</button>
      </div>
    </form>
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
