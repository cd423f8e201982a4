import type { GlobalThemeOverrides } from 'naive-ui'

/** The room is grey: every colour of our own interface stands here, and each has a* = b* = 0. */
const DAY = {
  room: '#d0d0d0',
  panel: '#d9d9d9',
  paper: '#e6e6e6',
  sheet: '#f4f4f4',
  ink: '#161616',
  soft: '#454545',
  line: '#a9a9a9',
  rule: '#5c5c5c',
  field: '#ffffff',
}
const EVENING = {
  room: '#303030',
  panel: '#2a2a2a',
  paper: '#242424',
  sheet: '#3a3a3a',
  ink: '#f0f0f0',
  soft: '#bdbdbd',
  line: '#5e5e5e',
  rule: '#a0a0a0',
  field: '#1b1b1b',
}

export const SURROUNDS = {
  day: { ...DAY, cloth: DAY.room, 'on-cloth': DAY.ink, 'on-cloth-soft': DAY.soft },
  // mid grey lies under the cloth only: text on it stands on sheets of its own
  judging: { ...DAY, cloth: '#777777', 'on-cloth': '#ffffff', 'on-cloth-soft': '#ffffff' },
  evening: { ...EVENING, cloth: EVENING.room, 'on-cloth': EVENING.ink, 'on-cloth-soft': EVENING.soft },
}
export type Surround = keyof typeof SURROUNDS

export function hangSurround(surround: Surround): void {
  const root = document.documentElement
  root.dataset.surround = surround
  root.style.colorScheme = surround === 'evening' ? 'dark' : 'light'
  for (const [name, value] of Object.entries(SURROUNDS[surround])) root.style.setProperty(`--${name}`, value)
}

export function naiveTheme(surround: Surround): GlobalThemeOverrides {
  const { ink, soft, line, field, sheet, paper, rule } = SURROUNDS[surround]
  const font = "'Atkinson Hyperlegible Next Variable', sans-serif"
  return {
    common: {
      fontFamily: font,
      primaryColor: ink,
      primaryColorHover: rule,
      primaryColorPressed: ink,
      primaryColorSuppl: ink,
      infoColor: ink,
      successColor: ink,
      warningColor: ink,
      errorColor: ink,
      errorColorHover: ink,
      textColorBase: ink,
      textColor1: ink,
      textColor2: ink,
      textColor3: soft,
      placeholderColor: soft,
      borderColor: rule,
      inputColor: field,
      popoverColor: sheet,
      modalColor: sheet,
      cardColor: paper,
      bodyColor: paper,
      hoverColor: paper,
      dividerColor: line,
      borderRadius: '5px',
      fontSize: '14px',
      iconColor: soft,
      clearColor: soft,
      closeIconColor: soft,
      scrollbarColor: line,
      scrollbarColorHover: rule,
    },
    Button: { fontWeight: '650', heightMedium: '38px', paddingMedium: '0 14px', fontSizeMedium: '14px' },
    Input: { borderHover: `1px solid ${ink}`, borderFocus: `1px solid ${ink}`, boxShadowFocus: `0 0 0 2px ${rule}` },
    InternalSelection: {
      borderHover: `1px solid ${ink}`,
      borderFocus: `1px solid ${ink}`,
      borderActive: `1px solid ${ink}`,
      boxShadowFocus: `0 0 0 2px ${rule}`,
      boxShadowActive: `0 0 0 2px ${rule}`,
      color: field,
      colorActive: field,
    },
    InternalSelectMenu: {
      color: sheet,
      optionColorPending: paper,
      optionColorActive: paper,
      optionTextColorActive: ink,
      optionCheckColor: ink,
    },
  }
}
