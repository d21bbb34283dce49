<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { BenchPlace, type Crew } from '../../contract/week'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { byName, say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'

const props = defineProps<{ crew: Crew }>()
const emit = defineEmits<{ changed: [crew: Crew] }>()
const { refusal, changeWithUndo } = useChange()
const name = ref('')
const benches = computed(() => [...props.crew.benches].sort(byName))
const send = (bench: BenchPlace) => async (): Promise<void> => {
  emit('changed', await call(endpoints.setBench, { body: bench }))
}
const save = (bench: BenchPlace, before: BenchPlace): Promise<boolean> =>
  changeWithUndo(send(bench), say('crew.benchSaved', { name: bench.name }), send(before))
async function add(bench: BenchPlace): Promise<void> {
  emit('changed', await call(endpoints.setBench, { body: bench }))
  name.value = ''
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('crew.benches') }}</h2>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul>
      <li v-for="bench in benches" :key="bench.id" :class="{ soft: !bench.active }">
        {{ bench.name }}
        <AppButton kind="quiet" @click="save({ ...bench, active: !bench.active }, bench)">
          {{ $t(bench.active ? 'crew.benchGone' : 'crew.benchBack') }}
        </AppButton>
      </li>
    </ul>
    <AppForm :schema="BenchPlace" :draft="() => ({ id: newId(), name, active: true })" :send="add">
      <TextField v-model="name" name="name" :label="$t('field.name')" />
      <AppButton type="submit">{{ $t('crew.addBench') }}</AppButton>
    </AppForm>
  </section>
</template>

<style scoped>
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-bottom: 1px solid var(--rule);
}
form {
  display: flex;
  gap: 10px;
  align-items: end;
  margin-top: 10px;
}
</style>
