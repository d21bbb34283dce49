/** The library brings behaviour and accessibility, these classes bring our look. */
export const passThrough = {
  dialog: {
    mask: { class: 'dialog-mask' },
    root: { class: 'dialog' },
    header: { class: 'dialog-header' },
    pcCloseButton: { root: { class: 'dialog-close' } },
  },
  select: {
    root: { class: 'select' },
    overlay: { class: 'select-panel' },
    listContainer: { class: 'select-list' },
    option: { class: 'select-option' },
  },
}
