import type { InjectionKey, Ref } from 'vue'

/** What a form tells its fields: what is wrong, by their names. Each field says where it stands, so nothing goes untold. */
export interface FormFaults {
  readonly faults: Readonly<Ref<Readonly<Record<string, string>>>>
  readonly places: Set<string>
}

export const FORM_FAULTS: InjectionKey<FormFaults> = Symbol('what is wrong in a form')
