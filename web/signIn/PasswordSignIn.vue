<script setup lang="ts">
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SignInPage, SignedIn } from '../../contract/house'
import { call } from '../api'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'

defineProps<{ demo: SignInPage['demo']; back: boolean }>()
const emit = defineEmits<{ entered: [who: SignedIn]; other: [] }>()
const signInName = ref('')
const password = ref('')
const refusal = ref('')
const busy = ref(false)

async function signIn(): Promise<void> {
  busy.value = true
  refusal.value = ''
  try {
    emit('entered', await call(endpoints.signIn, { body: { signInName: signInName.value, password: password.value } }))
  } catch (error) {
    refusal.value = refusalText(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form @submit.prevent="signIn">
    <h1>{{ $t('door.signIn') }}</h1>
    <TextField v-model="signInName" :label="$t('field.signInName')" autocomplete="username" />
    <TextField v-model="password" :label="$t('field.password')" type="password" autocomplete="current-password" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <div class="row">
      <AppButton kind="main" type="submit" :disabled="busy || signInName === '' || password === ''">
        {{ $t('door.enter') }}
      </AppButton>
      <AppButton kind="quiet" v-if="back" @click="emit('other')">{{ $t('door.byPin') }}</AppButton>
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
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
}
.row {
  display: flex;
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
