<script setup lang="ts">
import { reactive } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { SignedIn } from '../../contract/house'
import { call } from '../api'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import PasswordField from '../ui/PasswordField.vue'
import TextField from '../ui/TextField.vue'

/** Choosing a password with a code: a second manager's first way in, or the way back of who forgot theirs. */
const emit = defineEmits<{ entered: [who: SignedIn]; back: [] }>()
const form = reactive({ code: '', signInName: '', password: '' })
const draft = (): object => ({
  code: form.code,
  password: form.password,
  ...(form.signInName === '' ? {} : { signInName: form.signInName }),
})
async function enter(body: BodyOf<typeof endpoints.enterByCode>): Promise<void> {
  emit('entered', await call(endpoints.enterByCode, { body }))
}
</script>

<template>
  <AppForm :schema="endpoints.enterByCode.body" :draft="draft" :send="enter">
    <h1>{{ $t('door.codeTitle') }}</h1>
    <TextField
      v-model="form.code"
      name="code"
      :label="$t('door.code')"
      :hint="$t('door.codeHint')"
      autocomplete="one-time-code"
    />
    <TextField
      v-model="form.signInName"
      name="signInName"
      :label="$t('field.signInName')"
      :hint="$t('door.codeName')"
      autocomplete="username"
    />
    <PasswordField
      v-model="form.password"
      name="password"
      :label="$t('account.next')"
      :hint="$t('door.passwordHint')"
      autocomplete="new-password"
    />
    <template #actions="{ busy }">
      <div class="row">
        <AppButton kind="main" type="submit" :disabled="busy || form.code === '' || form.password === ''">
          {{ $t('door.codeEnter') }}
        </AppButton>
        <AppButton kind="quiet" @click="emit('back')">{{ $t('door.byPassword') }}</AppButton>
      </div>
    </template>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
</style>
