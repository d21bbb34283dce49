<script setup lang="ts">
import { computed } from 'vue'
import type { Drill } from '../../contract/practice'
import { useFormats } from '../i18n'
import { drillFigures, type DrillFigure } from './drillFigures'

/** What a drill says: the one thing to work on, how, a picture where there is one, and its figures. */
const props = defineProps<{ drill: Drill; more?: readonly DrillFigure[] }>()
const formats = useFormats()
const figures = computed(() => [...drillFigures(props.drill, formats.value), ...(props.more ?? [])])
</script>

<template>
  <section class="result" role="status">
    <h2>{{ $t(`practice.advice.${drill.verdict.advice}`) }}</h2>
    <p class="lead">{{ $t(`practice.how.${drill.verdict.advice}`) }}</p>
    <div class="beside">
      <slot />
      <dl>
        <template v-for="figure in figures" :key="figure.key">
          <dt>{{ $t(`practice.figure.${figure.key}`) }}</dt>
          <dd class="num">{{ figure.written }}</dd>
        </template>
      </dl>
    </div>
    <slot name="hint" />
  </section>
</template>

<style scoped>
.result {
  margin-top: 22px;
  display: grid;
  gap: 10px;
}
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 28px;
  align-items: flex-start;
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
