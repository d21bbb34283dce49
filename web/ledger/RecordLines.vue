<script setup lang="ts">
import { useFormats } from '../i18n'

/** One thing on record: when, of which knife, what is said of it, and by whom. */
export interface RecordLine {
  readonly at: string
  readonly code: string
  readonly told: readonly string[]
  readonly who: string | null
}

/** Things on record as a table under their title; `heads` stand above what is told of each. */
defineProps<{ title: string; heads: readonly string[]; lines: readonly RecordLine[] }>()
const formats = useFormats()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ title }}</h2>
    <p v-if="lines.length === 0" class="soft">{{ $t('report.noneOut') }}</p>
    <table v-else class="plain">
      <thead>
        <tr>
          <th>{{ $t('report.when') }}</th>
          <th>{{ $t('ledger.knife') }}</th>
          <th v-for="head in heads" :key="head">{{ head }}</th>
          <th>{{ $t('report.who') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, at) in lines" :key="at">
          <td>{{ formats.moment(line.at) }}</td>
          <td class="num">{{ line.code }}</td>
          <td v-for="(words, column) in line.told" :key="column">{{ words }}</td>
          <td>{{ line.who ?? '–' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
