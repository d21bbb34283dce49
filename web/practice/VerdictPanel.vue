<script setup lang="ts">
import { computed } from 'vue'
import type { Drill } from '../../contract/practice'
import { drillFigures } from './drillFigures'
import { useFormats } from '../i18n'

/** What a drill says: the one thing to work on, how, and its figures. */
const props = defineProps<{ drill: Drill }>()
const formats = useFormats()
const figures = computed(() => drillFigures(props.drill, formats.value))
</script>

<template>
  <section class="result" role="status">
    <h2>{{ $t(`practice.advice.${drill.verdict.advice}`) }}</h2>
    <p class="lead">{{ $t(`practice.how.${drill.verdict.advice}`) }}</p>
    <dl>
      <template v-for="figure in figures" :key="figure.key">
        <dt>{{ $t(`practice.figure.${figure.key}`) }}</dt>
        <dd class="num">{{ figure.written }}</dd>
      </template>
    </dl>
    <slot />
  </section>
</template>

<style scoped>
.result {
  margin-top: 22px;
  display: grid;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: auto auto;
  gap: 8px 18px;
  max-width: 420px;
}
dd {
  text-align: right;
  font-weight: 700;
  margin: 0;
}
</style>
