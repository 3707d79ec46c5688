import { useEffect, useState } from 'react';

type Theme = 'light' | 'dark';

function initial(): Theme {
  const kept = localStorage.getItem('theme');
  if (kept === 'light' || kept === 'dark') return kept;
  return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

/** The theme now, and how to turn it over; kept on this device. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(initial);
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  return [
    theme,
    () => {
      const next = theme === 'light' ? 'dark' : 'light';
      localStorage.setItem('theme', next);
      setTheme(next);
    },
  ];
}
