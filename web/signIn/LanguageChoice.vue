<script setup lang="ts">
import { LANGUAGES, LANGUAGE_TRAITS, type Language } from '../../contract/languages'
import { chosenHere, language, speak } from '../spoken'
import AppButton from '../ui/AppButton.vue'

/** What this device speaks before anybody has signed in; each language by its own name. */
function choose(wanted: Language): void {
  chosenHere.value = wanted
  void speak(wanted)
}
</script>

<template>
  <p class="languages" role="group" :aria-label="$t('door.language')">
    <AppButton
      v-for="one in LANGUAGES"
      :key="one"
      kind="bare"
      :lang="one"
      :aria-pressed="one === language"
      @click="choose(one)"
      >{{ LANGUAGE_TRAITS[one].name }}</AppButton
    >
  </p>
</template>

<style scoped>
.languages {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  margin-top: auto;
  padding-top: 24px;
}
.languages > :deep(button) {
  min-height: var(--target);
  padding: 0;
  border: 0;
  background: none;
  color: var(--on-slate-soft);
  cursor: pointer;
}
.languages > :deep(button[aria-pressed='true']) {
  color: var(--on-slate);
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 5px;
}
</style>
