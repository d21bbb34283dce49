<script setup lang="ts">
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { SpecialDay, type Crew } from '../../contract/week'
import type { Editable } from '../../contract/wire'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import WhenField from '../ui/WhenField.vue'

defineProps<{ crew: Crew }>()
const emit = defineEmits<{ changed: [crew: Crew] }>()
const formats = useFormats()
const { refusal, changeWithUndo } = useChange()
const draft = ref<Editable<SpecialDay> | null>(null)
const kinds = [
  { value: 'service' as const, label: say('house.service') },
  { value: 'quiet' as const, label: say('house.quiet') },
]

function start(): void {
  draft.value = {
    day: '',
    name: '',
    spans: [
      { kind: 'quiet', name: say('crew.defaultQuiet'), starts: '09:00', ends: '11:00' },
      { kind: 'service', name: say('crew.defaultService'), starts: '17:00', ends: '23:00' },
    ],
  }
}
async function save(body: SpecialDay): Promise<void> {
  emit('changed', await call(endpoints.setSpecialDay, { params: { day: body.day }, body }))
  draft.value = null
}
const drop = (special: SpecialDay): Promise<boolean> => {
  const { day } = special
  return changeWithUndo(
    async () => {
      emit('changed', await call(endpoints.dropSpecialDay, { params: { day } }))
    },
    say('crew.asUsualDone', { day: formats.value.longDay(`${day}T12:00:00Z`) }),
    async () => {
      emit('changed', await call(endpoints.setSpecialDay, { params: { day }, body: special }))
    },
  )
}
const words = ({ spans }: SpecialDay): string =>
  spans.length === 0
    ? say('crew.closedDay')
    : spans.map(({ kind, name, starts, ends }) => say(`crew.spanOf.${kind}`, { name, starts, ends })).join(', ')
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t('crew.special') }}</h2>
    <p class="soft small">{{ $t('crew.specialHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul>
      <li v-for="special in crew.special" :key="special.day">
        <span
          ><b>{{ formats.longDay(`${special.day}T12:00:00Z`) }}</b>
          {{ $t('shell.pair', { name: special.name, value: words(special) }) }}</span
        >
        <AppButton kind="quiet" @click="drop(special)">{{ $t('crew.asUsual') }}</AppButton>
      </li>
    </ul>
    <AppForm v-if="draft" :schema="SpecialDay" :draft="() => draft" :send="save">
      <div class="line">
        <WhenField v-model="draft.day" name="day" :label="$t('crew.day')" kind="day" />
        <TextField v-model="draft.name" name="name" :label="$t('field.name')" />
      </div>
      <div v-for="(span, at) in draft.spans" :key="at" class="line">
        <ChoiceField v-model="span.kind" :label="$t('field.kind')" :options="kinds" />
        <TextField v-model="span.name" :name="`spans.${at}.name`" :label="$t('field.name')" />
        <WhenField v-model="span.starts" :name="`spans.${at}.starts`" :label="$t('field.starts')" kind="time" />
        <WhenField v-model="span.ends" :name="`spans.${at}.ends`" :label="$t('field.ends')" kind="time" />
        <AppButton kind="quiet" @click="draft.spans.splice(at, 1)">{{ $t('house.remove') }}</AppButton>
      </div>
      <template #actions="{ busy }">
        <p class="ways">
          <AppButton
            kind="quiet"
            @click="
              draft.spans.push({ kind: 'service', name: say('crew.defaultService'), starts: '18:00', ends: '22:00' })
            "
          >
            {{ $t('house.addSpan') }}
          </AppButton>
          <AppButton kind="main" type="submit" :disabled="busy">
            {{ $t('shell.save') }}
          </AppButton>
        </p>
      </template>
    </AppForm>
    <AppButton v-else @click="start">{{ $t('crew.addSpecial') }}</AppButton>
  </section>
</template>

<style scoped>
section {
  align-content: start;
  justify-items: start;
}
ul,
form {
  width: 100%;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  border-bottom: 1px solid var(--rule);
}
form {
  display: grid;
  gap: 8px;
}
.line {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 10px;
  align-items: end;
}
.ways {
  display: flex;
  justify-content: space-between;
}
</style>
