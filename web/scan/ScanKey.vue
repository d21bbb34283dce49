<script setup lang="ts">
import { defineAsyncComponent, ref } from 'vue'
import AppButton from '../ui/AppButton.vue'

/** The key to the camera where no rail stands: at the bench, at a check, on the wall. */
defineProps<{ big?: boolean }>()
const ScanDialog = defineAsyncComponent(() => import('./ScanDialog.vue'))
const scanning = ref(false)
</script>

<template>
  <AppButton v-bind="big ? { big } : {}" icon="qrcode" @click="scanning = true">{{ $t('nav.scan') }}</AppButton>
  <ScanDialog v-if="scanning" v-model:visible="scanning" />
</template>
