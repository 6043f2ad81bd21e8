const STORE = 'alcabala-theme';
export type Theme = 'paper' | 'lamplight';

export const rememberedTheme = (): Theme =>
  localStorage.getItem(STORE) === 'lamplight' ? 'lamplight' : 'paper';

export function applyTheme(theme: Theme) {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(STORE, theme);
}
