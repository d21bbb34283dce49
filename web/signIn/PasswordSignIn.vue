<script setup lang="ts">
import { ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { SignInPage, SignedIn } from '../../contract/house'
import { call } from '../api'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'
import PasswordField from '../ui/PasswordField.vue'

defineProps<{ demo: SignInPage['demo']; back: boolean }>()
const emit = defineEmits<{ entered: [who: SignedIn]; other: []; code: [] }>()
const signInName = ref('')
const password = ref('')
const draft = (): object => ({ signInName: signInName.value, password: password.value })
async function signIn(body: BodyOf<typeof endpoints.signIn>): Promise<void> {
  emit('entered', await call(endpoints.signIn, { body }))
}
</script>

<template>
  <AppForm :schema="endpoints.signIn.body" :draft="draft" :send="signIn">
    <h1>{{ $t('door.signIn') }}</h1>
    <TextField v-model="signInName" name="signInName" :label="$t('field.signInName')" autocomplete="username" />
    <PasswordField v-model="password" name="password" :label="$t('field.password')" autocomplete="current-password" />
    <template #actions="{ busy }">
      <div class="row">
        <AppButton kind="main" type="submit" :disabled="busy || signInName === '' || password === ''">
          {{ $t('door.enter') }}
        </AppButton>
        <AppButton kind="quiet" v-if="back" @click="emit('other')">{{ $t('door.byPin') }}</AppButton>
        <AppButton kind="quiet" @click="emit('code')">{{ $t('door.haveCode') }}</AppButton>
      </div>
      <div v-if="demo" class="demo">
        <p>
          <b>{{ demo.houseName }}</b> {{ $t('door.demo') }}
        </p>
        <dl>
          <dt>{{ $t('field.signInName') }}</dt>
          <dd>
            <code>{{ demo.signInName }}</code>
          </dd>
          <dt>{{ $t('field.password') }}</dt>
          <dd>
            <code>{{ demo.password }}</code>
          </dd>
          <dt>{{ $t('door.pins') }}</dt>
          <dd>
            <code>{{ demo.pin }}</code>
          </dd>
        </dl>
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
.demo {
  margin-top: 22px;
  border-top: 3px solid var(--rule-strong);
  padding-top: 12px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 18px;
  margin-top: 8px;
}
code {
  font: 600 1rem var(--face);
}
</style>
