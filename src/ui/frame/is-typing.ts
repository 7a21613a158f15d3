/** True where keys belong to a field. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && ['INPUT', 'SELECT', 'TEXTAREA'].includes(target.tagName);
