export * from './grain'
export * from './removal'
