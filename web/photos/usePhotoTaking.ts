import { v7 as newId } from 'uuid'
import { ref, type Ref } from 'vue'
import type { NewPhoto } from '../../contract/photos'
import { Refusal } from '../api'
import { say } from '../i18n'
import { inBase64, MOST_FILE_MB, PhotoError, smallPhoto } from './edgePhoto'

export interface PhotoTaking {
  readonly busy: Ref<boolean>
  /** why the last picture was not kept; empty where it was */
  readonly problem: Ref<string>
  /** Makes a picture small and hands it to whoever keeps it. @returns its id, or null with the reason in `problem` */
  readonly take: (file: File, keep: (photo: NewPhoto) => Promise<unknown>) => Promise<string | null>
}

/** Takes pictures; one that cannot be read, is too large or finds no network says so, and nothing else is lost. */
export function usePhotoTaking(): PhotoTaking {
  const busy = ref(false)
  const problem = ref('')
  return {
    busy,
    problem,
    take: async (file, keep) => {
      busy.value = true
      problem.value = ''
      try {
        const id = newId()
        await keep({ id, base64: await inBase64(await smallPhoto(file)) })
        return id
      } catch (error) {
        problem.value =
          error instanceof PhotoError
            ? say(`bench.photos.${error.problem}`, { mb: MOST_FILE_MB })
            : error instanceof Refusal
              ? error.sentence
              : say('bench.photos.failed')
        return null
      } finally {
        busy.value = false
      }
    },
  }
}
