const STORE = 'alcabala-theme';
export type Theme = 'paper' | 'lamplight';

const dark = window.matchMedia('(prefers-color-scheme: dark)');

/** What was chosen; until then what the system likes. */
export function presentTheme(): Theme {
  const chosen = localStorage.getItem(STORE);
  return chosen === 'paper' || chosen === 'lamplight' ? chosen : dark.matches ? 'lamplight' : 'paper';
}

const show = () => {
  document.documentElement.dataset.theme = presentTheme();
};

export function followSystem() {
  show();
  dark.addEventListener('change', show);
}

export function chooseTheme(theme: Theme) {
  localStorage.setItem(STORE, theme);
  show();
}
