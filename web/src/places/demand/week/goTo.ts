/** Goes to the next cell of a table that can be typed in, in one direction. */
export function goTo(from: HTMLElement, columns: number, rows: number): void {
  const cell = from.closest('td');
  const table = from.closest('table');
  if (!cell || !table) return;
  const lines = [...table.querySelectorAll('tr')].filter((line) => line.querySelector('td input'));
  let line = lines.findIndex((each) => each.contains(cell));
  let column = [...(lines[line]?.querySelectorAll('td') ?? [])].indexOf(cell);
  for (;;) {
    line += rows;
    column += columns;
    const next = lines[line]?.querySelectorAll('td')[column];
    if (!next) return;
    const input = next.querySelector('input');
    if (input && !input.disabled) return input.focus();
  }
}
