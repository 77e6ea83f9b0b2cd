import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App.tsx';
import './app/theme.css';
import { keepApplication } from './offline/register.ts';

// Before anything is drawn; what the maker has chosen takes over once it is known.
const dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
document.documentElement.dataset.theme = dark ? 'dark' : 'light';

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for Fennot.');
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
keepApplication();
