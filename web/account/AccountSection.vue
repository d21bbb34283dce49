<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { OwnSession } from '../../contract/house'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useChange } from '../house/useChange'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import PasswordField from '../ui/PasswordField.vue'
import { agentName } from './agentName'
import OwnLanguage from './OwnLanguage.vue'
import OwnHouses from './OwnHouses.vue'

/** One's own password, and where one is signed in. */
const formats = useFormats()
const fleet = useFleet()
const session = useSession()
const notices = useNotices()
const { refusal, change } = useChange()
const sessions = ref<readonly OwnSession[]>([])
const form = reactive({ password: '', next: '' })
const hasPassword = computed(() => Boolean(fleet.people.get(session.person?.id ?? '')?.signInName))

const load = (): Promise<boolean> =>
  change(async () => {
    sessions.value = await call(endpoints.ownSessions)
  })
onMounted(load)

async function changePassword(body: BodyOf<typeof endpoints.changePassword>): Promise<void> {
  await call(endpoints.changePassword, { body })
  Object.assign(form, { password: '', next: '' })
  notices.done(say('account.changed'))
  await load()
}
const nameOf = ({ deviceName, agent }: OwnSession): string => deviceName ?? agentName(agent)
async function end(send: () => Promise<unknown>): Promise<void> {
  if (await change(send)) notices.done(say('account.ended'))
  await load()
}
</script>

<template>
  <div class="account">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <OwnLanguage />
    <section>
      <h3>{{ $t('account.where') }}</h3>
      <ul>
        <li v-for="one in sessions" :key="one.id">
          <span>
            <b>{{ nameOf(one) }}</b>
            {{ one.isThis ? $t('account.here') : $t('account.since', { time: formats.moment(one.since) }) }}
          </span>
          <AppButton
            v-if="!one.isThis"
            kind="quiet"
            :aria-label="$t('account.endOf', { what: nameOf(one) })"
            @click="end(() => call(endpoints.endOwnSession, { params: { id: one.id } }))"
            >{{ $t('account.end') }}</AppButton
          >
        </li>
      </ul>
      <AppButton v-if="sessions.length > 1" @click="end(() => call(endpoints.endOtherSessions))">
        {{ $t('account.endAll') }}
      </AppButton>
    </section>
    <AppForm
      v-if="hasPassword"
      :schema="endpoints.changePassword.body"
      :draft="() => ({ ...form })"
      :send="changePassword"
    >
      <h3>{{ $t('account.passwordTitle') }}</h3>
      <PasswordField
        v-model="form.password"
        name="password"
        :label="$t('account.now')"
        autocomplete="current-password"
      />
      <PasswordField
        v-model="form.next"
        name="next"
        :label="$t('account.next')"
        :hint="$t('door.passwordHint')"
        autocomplete="new-password"
      />
      <template #actions="{ busy }">
        <AppButton kind="main" type="submit" :disabled="busy || form.password === '' || form.next === ''">
          {{ $t('account.change') }}
        </AppButton>
      </template>
    </AppForm>
    <p v-else class="soft">{{ $t('account.byPin') }}</p>
    <OwnHouses v-if="session.signedIn?.deviceName === null" />
  </div>
</template>

<style scoped>
.account {
  display: grid;
  gap: 18px;
  max-width: 460px;
  padding-bottom: 12px;
}
form {
  display: grid;
  gap: 12px;
  justify-items: start;
}
section > .button {
  margin-top: 12px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  min-height: var(--target);
  border-bottom: 1px solid var(--rule);
}
</style>
