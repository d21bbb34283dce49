import PrimeVue, { defaultOptions, type PrimeVueConfiguration } from 'primevue/config'
import ConfirmationService from 'primevue/confirmationservice'
import ToastService from 'primevue/toastservice'
import { watch, type Plugin } from 'vue'
import { catalogue, language, say } from '../spoken'
import { controlWords } from './controlWords'
import { styleNonce } from './styleNonce'

/** The library's traps for the focus hand it on at once: hiding them from readers would leave a stop without a name. */
const focusTrap = { class: 'unseen', 'aria-hidden': undefined }

/** The library brings behaviour and accessibility, these classes bring our look. */
const passThrough = {
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
    header: { class: 'select-find' },
    hiddenFirstFocusableEl: focusTrap,
    hiddenLastFocusableEl: focusTrap,
    virtualScroller: { root: { class: 'select-list' } },
  },
  multiselect: {
    root: { class: 'select' },
    hiddenInputContainer: { class: 'unseen' },
    labelContainer: { class: 'select-words' },
    overlay: { class: 'select-panel' },
    header: { class: 'select-none' },
    listContainer: { class: 'select-list' },
    hiddenFirstFocusableEl: focusTrap,
    hiddenLastFocusableEl: focusTrap,
    option: { class: 'select-option many' },
    pcOptionCheckbox: { root: { class: 'check' }, input: { class: 'check-input' }, box: { class: 'check-box' } },
  },
  inputtext: { root: { class: 'input' } },
  textarea: { root: { class: 'input' } },
  inputgroup: { root: { class: 'with-unit' } },
  inputgroupaddon: { root: { class: 'unit' } },
  datepicker: {
    root: { class: 'when' },
    dropdown: { class: 'when-open' },
    panel: { class: 'select-panel when-panel' },
    header: { class: 'when-header' },
    title: { class: 'when-title' },
    pcPrevButton: { root: { class: 'when-key' } },
    pcNextButton: { root: { class: 'when-key' } },
    selectMonth: { class: 'when-key' },
    selectYear: { class: 'when-key' },
    weekDayCell: { class: 'when-name' },
    // a day is a key that is down or not; the library calls it selected, which a key cannot be
    day: ({ context }: { context: { selected: boolean } }) => ({
      class: 'when-day',
      role: 'button',
      'aria-selected': undefined,
      'aria-pressed': context.selected,
    }),
    month: { class: 'when-day' },
    year: { class: 'when-day' },
    timePicker: { class: 'when-clock' },
    hourPicker: { class: 'when-part num' },
    minutePicker: { class: 'when-part num' },
    pcIncrementButton: { root: { class: 'when-key' } },
    pcDecrementButton: { root: { class: 'when-key' } },
  },
  slider: { range: { class: 'slider-range' }, handle: { class: 'slider-handle' } },
  checkbox: { root: { class: 'check' }, input: { class: 'check-input' }, box: { class: 'check-box' } },
  accordionheader: { root: { class: 'fold-title' } },
  menu: {
    root: { class: 'select-panel' },
    list: { class: 'menu-list' },
    item: { class: 'menu-item' },
    itemLink: { class: 'menu-link' },
  },
  popover: { root: { class: 'select-panel term-panel' } },
  autocomplete: {
    root: { class: 'suggest' },
    pcInputText: { root: { class: 'input' } },
    overlay: { class: 'select-panel' },
    listContainer: { class: 'select-list' },
    option: { class: 'select-option' },
    emptyMessage: { class: 'select-none' },
    searchResultMessage: { class: 'unseen' },
    selectedMessage: { class: 'unseen' },
  },
  listbox: {
    pcFilter: { root: { class: 'input' } },
    pcFilterIconContainer: { root: { class: 'no-icon' } },
    virtualScroller: { root: { class: 'found-list', tabindex: 0 } },
    listContainer: { class: 'found-list' },
    option: { class: 'found' },
    hiddenFirstFocusableEl: focusTrap,
    hiddenLastFocusableEl: focusTrap,
    hiddenFilterResult: { class: 'unseen' },
    hiddenSelectedMessage: { class: 'unseen' },
  },
  confirmdialog: {
    mask: { class: 'dialog-mask' },
    root: { class: 'dialog narrow' },
    header: { class: 'dialog-header' },
    footer: { class: 'dialog-actions' },
  },
  progressbar: { value: { class: 'progress-value' } },
}

/** Every control of the screens, without the library's own look. */
export const controls: Plugin = {
  install(app) {
    app.use(PrimeVue, {
      unstyled: true,
      pt: passThrough,
      locale: { ...defaultOptions.locale },
      csp: { nonce: styleNonce },
    })
    const { config } = app.config.globalProperties['$primevue'] as { config: PrimeVueConfiguration }
    watch(
      [language, catalogue],
      () => {
        const words = controlWords(say, language.value)
        Object.assign(config.locale ?? {}, words, { aria: { ...config.locale?.aria, ...words.aria } })
      },
      { immediate: true },
    )
    app.use(ToastService)
    app.use(ConfirmationService)
  },
}
