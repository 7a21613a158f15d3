'use client';

import { useEffect, useState } from 'react';

/**
 * The secret part of the link that led here. It is taken out of the address at once, and kept in this tab alone, so that
 * signing in on the way loses nothing. Null while it is looked for, empty if there is none.
 */
export function useLinkToken(key: string): string | null {
  const [token, setToken] = useState<string | null>(null);
  useEffect(() => {
    const take = () => {
      const brought = window.location.hash.slice(1);
      if (brought !== '') {
        sessionStorage.setItem(key, brought);
        window.history.replaceState(null, '', window.location.pathname);
      }
      setToken(brought || (sessionStorage.getItem(key) ?? ''));
    };
    queueMicrotask(take);
    // Another link that is opened on the same page changes nothing but what stands behind the #.
    window.addEventListener('hashchange', take);
    return () => window.removeEventListener('hashchange', take);
  }, [key]);
  return token;
}

/** Forgets it: it was used, or leads nowhere. */
export const forgetLinkToken = (key: string): void => sessionStorage.removeItem(key);
