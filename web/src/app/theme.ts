import { darkTheme, type GlobalTheme, type GlobalThemeOverrides } from 'naive-ui'

/** The house's colours, once: the component library and our own rules both read them from here. */
const day = {
  ground: '#f6f7f4',
  raised: '#ffffff',
  ink: '#17262b',
  soft: '#4a5a60',
  line: '#c9d0cb',
  /** An edge of a field or button: 3 to 1 on the paper of either theme. */
  edge: '#6f7f83',
  action: '#1e5b4c',
  actionBright: '#2a7261',
  actionDeep: '#174a3e',
  actionInk: '#ffffff',
  actionSoft: '#dfeae4',
  watch: '#8a5a06',
  watchMark: '#c98a1b',
  watchSoft: '#f7ead0',
  stop: '#a6303c',
  stopSoft: '#f6dfe0',
  slate: '#22323a',
  slateDeep: '#1b282f',
  chalk: '#eef2ee',
  chalkSoft: '#a9bac0',
}
type Colours = typeof day
const evening: Colours = {
  ...day,
  ground: '#141d21',
  raised: '#1c272c',
  ink: '#e9efea',
  soft: '#b0bec0',
  line: '#3a494f',
  edge: '#7d8d91',
  action: '#7cc7ae',
  actionBright: '#93d4be',
  actionDeep: '#69b39b',
  actionInk: '#10201b',
  actionSoft: '#233b36',
  watch: '#e6b355',
  watchMark: '#e6b355',
  watchSoft: '#3a3018',
  stop: '#f0939b',
  stopSoft: '#44262a',
  slate: '#1a262c',
  slateDeep: '#121b20',
}
export type Light = 'light' | 'dark'
export const coloursOf = (light: Light): Colours => (light === 'dark' ? evening : day)

/** The same colours as custom properties, for what the library does not draw: `actionSoft` is `--action-soft`. */
export function paint(root: HTMLElement, light: Light): void {
  root.style.colorScheme = light
  for (const [name, colour] of Object.entries(coloursOf(light)))
    root.style.setProperty(`--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`, colour)
}

/** Dirty hands and a tablet: nothing to press is smaller, px. */
const TARGET = '44px'

export const themeOf = (light: Light): GlobalTheme | null => (light === 'dark' ? darkTheme : null)

/** The component library in the house's colours. */
export function overridesOf(light: Light): GlobalThemeOverrides {
  const c = coloursOf(light)
  const field = { border: `1px solid ${c.edge}`, textColor: c.ink, color: c.raised, colorFocus: c.raised }
  return {
    common: {
      fontFamily: "'Atkinson Hyperlegible Next', sans-serif",
      fontSize: '17px',
      fontSizeSmall: '16px',
      fontSizeMedium: '16px',
      fontSizeLarge: '17px',
      heightSmall: TARGET,
      heightMedium: TARGET,
      heightLarge: TARGET,
      borderRadius: '10px',
      borderRadiusSmall: '6px',
      primaryColor: c.action,
      primaryColorHover: c.actionBright,
      primaryColorPressed: c.actionDeep,
      primaryColorSuppl: c.actionBright,
      infoColor: c.action,
      errorColor: c.stop,
      warningColor: c.watchMark,
      textColorBase: c.ink,
      textColor1: c.ink,
      textColor2: c.ink,
      textColor3: c.soft,
      placeholderColor: c.soft,
      bodyColor: c.ground,
      cardColor: c.raised,
      modalColor: c.raised,
      popoverColor: c.raised,
      tableColor: c.raised,
      tableHeaderColor: c.ground,
      borderColor: c.edge,
      dividerColor: c.line,
    },
    Input: field,
    InternalSelection: { ...field, colorActive: c.raised, caretColor: c.ink, arrowColor: c.soft },
    InternalSelectMenu: { optionTextColorActive: c.action, optionTextColorPressed: c.action },
    Button: {
      border: `1px solid ${c.edge}`,
      borderDisabled: `1px solid ${c.edge}`,
      color: c.raised,
      colorDisabled: c.raised,
      colorHover: c.raised,
      colorPressed: c.actionSoft,
      colorFocus: c.raised,
      textColor: c.ink,
      textColorDisabled: c.ink,
      textColorPrimary: c.actionInk,
      textColorHoverPrimary: c.actionInk,
      textColorPressedPrimary: c.actionInk,
      textColorFocusPrimary: c.actionInk,
      textColorDisabledPrimary: c.actionInk,
      opacityDisabled: '0.6',
    },
    Radio: {
      buttonBorderColor: c.edge,
      buttonBorderColorActive: c.action,
      buttonBorderColorHover: c.action,
      buttonColor: c.raised,
      buttonColorActive: c.action,
      buttonTextColor: c.ink,
      buttonTextColorActive: c.actionInk,
      buttonTextColorHover: c.ink,
      buttonHeightMedium: TARGET,
    },
    Checkbox: { border: `1px solid ${c.edge}`, sizeMedium: '22px', labelPadding: '0 10px', textColor: c.ink },
    Slider: {
      fillColor: c.action,
      fillColorHover: c.action,
      railColor: c.line,
      railColorHover: c.line,
      handleSize: '24px',
    },
    DataTable: {
      thTextColor: c.ink,
      tdTextColor: c.ink,
      thFontWeight: '600',
      borderColor: c.line,
      thIconColor: c.soft,
    },
    Table: {
      thTextColor: c.ink,
      tdTextColor: c.ink,
      thFontWeight: '600',
      borderColor: c.line,
      tdColor: c.raised,
      thPaddingSmall: '6px 8px',
      tdPaddingSmall: '6px 8px',
    },
    Empty: { textColor: c.soft },
    Tooltip: { color: c.slateDeep, textColor: c.chalk },
  }
}
