<script setup lang="ts">
import { refusalText } from '../refusalText'
import { useNotices, type Notice } from '../stores/notices'
import AppButton from './AppButton.vue'

const notices = useNotices()

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
  <div class="notices" role="status" aria-live="polite">
    <div v-for="notice in notices.notices" :key="notice.id" class="notice" :class="notice.tone">
      <span>{{ notice.text }}</span>
      <span v-if="notice.question" class="question" role="group" :aria-label="notice.question.text">
        {{ notice.question.text }}
        <AppButton v-for="answer in notice.question.answers" :key="answer.label" @click="run(notice, answer.give)">
          {{ answer.label }}
        </AppButton>
      </span>
      <AppButton v-if="notice.undo" @click="run(notice, notice.undo)">
        {{ $t('shell.undo') }}
      </AppButton>
      <AppButton kind="bare" class="close" :aria-label="$t('shell.dismiss')" @click="notices.dismiss(notice.id)">
        ×
      </AppButton>
    </div>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  left: 50%;
  bottom: 18px;
  transform: translateX(-50%);
  display: grid;
  gap: 8px;
  z-index: 1100;
  width: max-content;
  max-width: calc(100vw - 24px);
}
.notice {
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
  .notices {
    bottom: 76px;
    width: calc(100vw - 24px);
  }
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
