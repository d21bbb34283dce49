<script setup lang="ts">
import Password from 'primevue/password'
import { useId } from 'vue'
import AppButton from './AppButton.vue'
import FieldFrame from './FieldFrame.vue'

/** A password, which can be shown while it is typed with wet hands. */
defineProps<{
  label: string
  name?: string | undefined
  hint?: string | undefined
  autocomplete: 'current-password' | 'new-password'
}>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <FieldFrame v-slot="{ describedBy, isWrong }" :input-id="id" :label="label" :name="name" :hint="hint">
    <Password
      v-model="model"
      class="password"
      :input-id="id"
      :name="name"
      :feedback="false"
      toggle-mask
      :invalid="isWrong"
      :input-props="{
        autocomplete,
        'aria-describedby': describedBy,
        'aria-expanded': undefined,
        'aria-haspopup': undefined,
      }"
    >
      <template #maskicon="{ toggleCallback }">
        <AppButton kind="bare" class="peek" :aria-label="$t('field.hide')" @click="toggleCallback">
          <span class="pi pi-eye-slash" aria-hidden="true" />
        </AppButton>
      </template>
      <template #unmaskicon="{ toggleCallback }">
        <AppButton kind="bare" class="peek" :aria-label="$t('field.show')" @click="toggleCallback">
          <span class="pi pi-eye" aria-hidden="true" />
        </AppButton>
      </template>
    </Password>
  </FieldFrame>
</template>
