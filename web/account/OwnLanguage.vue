<script setup lang="ts">
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { LANGUAGES, LANGUAGE_TRAITS, type Language } from '../../contract/languages'
import { say } from '../i18n'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import ChoiceField from '../ui/ChoiceField.vue'

/** What somebody wants to be spoken to in, on every tablet they sign in on. */
const session = useSession()
const notices = useNotices()
const busy = ref(false)
const options = computed(() => [
  {
    value: '' as const,
    label: say('account.asHouse', { language: LANGUAGE_TRAITS[session.house?.language ?? 'en'].name }),
  },
  ...LANGUAGES.map((value) => ({ value, label: LANGUAGE_TRAITS[value].name })),
])
const own = computed<Language | ''>({
  get: () => session.signedIn?.ownLanguage ?? '',
  set: (wanted) => {
    void choose(wanted)
  },
})
async function choose(wanted: Language | ''): Promise<void> {
  if (busy.value) return
  busy.value = true
  try {
    session.enter(await call(endpoints.setOwnLanguage, { body: { language: wanted || null } }))
  } catch (error) {
    notices.refused(refusalText(error))
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ChoiceField v-model="own" :label="$t('account.language')" :options="options" />
</template>
