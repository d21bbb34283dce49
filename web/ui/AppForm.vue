<script setup lang="ts" generic="S extends z.ZodType">
import { Form } from '@primevue/forms'
import type { z } from 'zod'
import { provide, ref } from 'vue'
import { issueWords, type IssueWords } from '../../words/faults'
import { Refusal } from '../api'
import { say } from '../i18n'
import { refusalText } from '../refusalText'
import { FORM_FAULTS } from './formFaults'

/**
 * A form that is sent once its draft reads by the contract's own schema. What is wrong is told beside the field of that
 * name, or at its foot where no field has it; a refusal of the server is told in the same places. The draft stays.
 */
const props = defineProps<{
  schema: S
  /** what would be sent now, as typed */
  draft: () => unknown
  send: (body: z.output<S>) => Promise<unknown>
}>()
const faults = ref<Readonly<Record<string, string>>>({})
const foot = ref('')
const busy = ref(false)
const tried = ref(false)
const places = new Set<string>()
provide(FORM_FAULTS, { faults, places })
defineSlots<{ default: (form: { busy: boolean }) => unknown; actions: (form: { busy: boolean }) => unknown }>()

function tell(issues: readonly IssueWords[], otherwise: string): void {
  faults.value = Object.fromEntries(issues.map(({ path, sentence }) => [path, sentence]))
  const homeless = issues.filter(({ path }) => !places.has(path))
  foot.value = homeless.length > 0 ? homeless.map(({ sentence }) => sentence).join(' ') : otherwise
}
const read = (): z.ZodSafeParseResult<z.output<S>> => props.schema.safeParse(props.draft())
/** Once it has been tried, what is mended while typing is no longer called wrong. */
function resolver(): { errors: Record<string, { message: string }[]> } {
  const answer = read()
  tell(answer.success ? [] : issueWords(answer.error.issues, say), '')
  return {
    errors: Object.fromEntries(Object.entries(faults.value).map(([name, message]) => [name, [{ message }]])),
  }
}
async function submit(): Promise<void> {
  tried.value = true
  const answer = read()
  if (!answer.success || busy.value) return
  busy.value = true
  try {
    await props.send(answer.data)
    tried.value = false
  } catch (error) {
    tell(error instanceof Refusal ? error.issues : [], refusalText(error))
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Form :resolver="resolver" :validate-on-value-update="tried" novalidate autocomplete="off" @submit="submit">
    <slot :busy="busy" />
    <p v-if="foot" class="refusal" role="alert">{{ foot }}</p>
    <slot name="actions" :busy="busy" />
  </Form>
</template>
