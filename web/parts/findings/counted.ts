const several = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

/** How many findings of each weight there are: "0 errors, 2 warnings, 1 note". */
export function counted(findings: { severity: string }[]): string {
  const count = (severity: string) => findings.filter((each) => each.severity === severity).length;
  return [several(count('error'), 'error'), several(count('warn'), 'warning'), several(count('note'), 'note')].join(
    ', ',
  );
}
