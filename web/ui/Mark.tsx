/** The mark of Even Rungs: two rails and a level line. */
export function Mark({ size = 28 }: { size?: number }) {
  return (
    <svg viewBox="0 0 32 32" width={size} height={size} aria-hidden>
      <g stroke="currentColor" strokeWidth="2.4" strokeLinecap="round" fill="none">
        <path d="M10 4v24M22 4v24M10 10.5h12M10 21.5h12" />
      </g>
      <path d="M4 16h24" stroke="var(--act)" strokeWidth="3" strokeLinecap="round" />
    </svg>
  );
}
