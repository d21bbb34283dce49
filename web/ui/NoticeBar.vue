<script setup lang="ts">
import Toast from 'primevue/toast'
import { useToast } from 'primevue/usetoast'
import { onMounted, watch } from 'vue'
import { refusalText } from '../refusalText'
import { useNotices, type Notice } from '../stores/notices'
import AppButton from './AppButton.vue'

/** Shows what the house is told, each piece of news for a while; resting a mouse on it makes it wait. */
const STAYS_MS = 9000
const notices = useNotices()
const toasts = useToast()
const shown = new Map<number, object>()

function show(now: readonly Notice[]): void {
  for (const notice of now)
    if (!shown.has(notice.id)) {
      const toast = { group: 'notices', life: STAYS_MS, detail: notice }
      shown.set(notice.id, toast)
      toasts.add(toast)
    }
  for (const [id, toast] of shown)
    if (!now.some((notice) => notice.id === id)) {
      shown.delete(id)
      toasts.remove(toast)
    }
}
watch(() => notices.notices, show)
// the control listens from its own mounting on
onMounted(() => {
  show(notices.notices)
})
const gone = ({ message }: { message: { detail?: Notice } }): void => {
  if (message.detail) notices.dismiss(message.detail.id)
}
async function run(notice: Notice, work: () => Promise<unknown>): Promise<void> {
  notices.dismiss(notice.id)
  try {
    await work()
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
</script>

<template>
  <Toast
    group="notices"
    :pt="{ root: { class: 'notices' }, message: { role: 'status', 'aria-live': 'polite' } }"
    @close="gone"
    @life-end="gone"
  >
    <template #container="{ message }">
      <div class="notice" :class="message.detail.tone">
        <span>{{ message.detail.text }}</span>
        <span v-if="message.detail.question" class="question" role="group" :aria-label="message.detail.question.text">
          {{ message.detail.question.text }}
          <AppButton
            v-for="answer in message.detail.question.answers"
            :key="answer.label"
            @click="run(message.detail, answer.give)"
          >
            {{ answer.label }}
          </AppButton>
        </span>
        <AppButton v-if="message.detail.undo" @click="run(message.detail, message.detail.undo)">
          {{ $t('shell.undo') }}
        </AppButton>
        <AppButton
          kind="bare"
          class="close"
          :aria-label="$t('shell.dismiss')"
          @click="notices.dismiss(message.detail.id)"
        >
          ×
        </AppButton>
      </div>
    </template>
  </Toast>
</template>

<style>
.notices {
  position: fixed;
  left: 50%;
  bottom: calc(18px + var(--safe-bottom));
  transform: translateX(-50%);
  display: grid;
  z-index: 1100;
  pointer-events: none;
  width: max-content;
  max-width: calc(100vw - 24px);
}
.notices > div {
  display: grid;
  gap: 8px;
}
@media (max-width: 700px) {
  .notices {
    bottom: calc(16px + var(--bar));
    width: calc(100vw - 24px);
  }
}
</style>

<style scoped>
.notice {
  pointer-events: auto;
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 8px 10px 8px 18px;
  border-radius: 8px;
  background: var(--slate);
  color: var(--on-slate);
  box-shadow: 0 6px 20px rgb(0 0 0 / 0.25);
}
.notice.refused {
  border-left: 6px solid #e58a8f;
}
.question {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
.close {
  min-width: 40px;
  min-height: 40px;
  border: 0;
  background: none;
  color: inherit;
  font-size: 1.4rem;
  cursor: pointer;
}
@media (max-width: 700px) {
  .notice {
    flex-wrap: wrap;
    gap: 6px 10px;
  }
  .question {
    order: 1;
    flex-basis: 100%;
    flex-wrap: nowrap;
  }
}
</style>
