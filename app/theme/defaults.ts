/** How Vuetify's components behave where nothing else is said; how they look is said in `settings.scss` and `vuetify.css`. */
const field = { variant: 'outlined', density: 'compact', hideDetails: 'auto', persistentPlaceholder: true } as const
const small = { density: 'compact', hideDetails: true, color: 'success' } as const

export const defaults = {
  global: { ripple: false },
  VAutocomplete: field,
  VBtn: { variant: 'text', slim: true },
  VCheckbox: small,
  VCheckboxBtn: small,
  VChip: { density: 'compact', variant: 'flat' },
  VCombobox: field,
  VDatePicker: { hideHeader: true, color: 'primary', showAdjacentMonths: true },
  VDialog: { transition: false, maxWidth: 520, scrim: true },
  VList: { slim: true },
  VListItem: { slim: true },
  VMenu: { transition: false, offset: 4, scrollStrategy: 'close' },
  VNumberInput: { ...field, controlVariant: 'stacked', inset: true },
  VProgressLinear: { color: 'success', rounded: true, height: 6 },
  VRadio: small,
  VSelect: { ...field, menuProps: { transition: false, offset: 2 } },
  VSwitch: small,
  VTextarea: { ...field, autoGrow: true },
  VTextField: field,
} as const
