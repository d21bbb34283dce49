import { say } from '../i18n'

/** Why a knife is taken out of service most often, in the words it is recorded with. */
export const unsafeReasons = (): string[] => ['handle', 'crack', 'tip'].map((what) => say(`knife.unsafe.${what}`))
