<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog'
import AppButton from './AppButton.vue'

/** Asks before what cannot be undone; everything else is done at once, with its undo. */
</script>

<template>
  <ConfirmDialog>
    <template #container="{ message, acceptCallback, rejectCallback }">
      <h2>{{ message.header }}</h2>
      <p>{{ message.message }}</p>
      <div class="dialog-actions">
        <AppButton @click="rejectCallback">{{ message.rejectLabel }}</AppButton>
        <AppButton kind="main" @click="acceptCallback">{{ message.acceptLabel }}</AppButton>
      </div>
    </template>
  </ConfirmDialog>
</template>
