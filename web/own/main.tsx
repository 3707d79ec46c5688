import './own.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { OwnPage } from './OwnPage';

const dark = window.matchMedia('(prefers-color-scheme: dark)');
function follow() {
  document.documentElement.dataset.theme = dark.matches ? 'dark' : 'light';
}
dark.addEventListener('change', follow);
follow();

const root = document.getElementById('root');
if (root !== null) {
  createRoot(root).render(
    <StrictMode>
      <OwnPage />
    </StrictMode>,
  );
}
