export * from './stack'
export * from './bevel'
export * from './recession'
export * from './profile'
