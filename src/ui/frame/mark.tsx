/** The program's own mark: a spine that levels hang on. */
export function Mark() {
  return (
    <svg width="18" height="20" viewBox="0 0 18 20" aria-hidden="true">
      <rect x="1" y="1" width="3.4" height="18" fill="var(--color-now)" />
      <rect x="7" y="1" width="1.4" height="18" fill="var(--color-ink)" />
      <path d="M8.4 3.5h8M8.4 10h6M8.4 16.5h8" stroke="var(--color-ink)" strokeWidth="1.4" />
    </svg>
  );
}
