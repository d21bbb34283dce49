<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { useSimulatedTester } from './useSimulatedTester'
import AppButton from '../ui/AppButton.vue'
import SliderField from '../ui/SliderField.vue'

/** Stands in for a real tester in the demonstration house; a person sets the peak and cuts. */
const props = defineProps<{ guess: number }>()
const emit = defineEmits<{ name: [name: string] }>()
const { name, connected, cut } = useSimulatedTester()
const peak = ref(props.guess)
watch(
  () => props.guess,
  (guess) => {
    peak.value = guess
  },
)
onMounted(() => {
  emit('name', name)
})
</script>

<template>
  <fieldset class="simulator">
    <legend class="small">{{ $t('check.simulator') }}</legend>
    <SliderField
      v-model="peak"
      class="small"
      :label="$t('check.simPeak')"
      :written="`${peak} gf`"
      :min="80"
      :max="800"
      :step="1"
    />
    <div>
      <AppButton :disabled="!connected" @click="cut(peak)">{{ $t('check.cut') }}</AppButton>
    </div>
  </fieldset>
</template>

<style scoped>
.simulator {
  border: 1.5px dashed var(--steel-line);
  border-radius: 8px;
  padding: 4px 12px 10px;
  margin: 0;
  min-width: 0;
}
</style>
