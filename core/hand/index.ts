export * from './recipe'
export * from './recipes'
export * from './session'
