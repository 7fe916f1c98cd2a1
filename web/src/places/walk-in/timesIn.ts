/** Times of day in a text, minutes from midnight; null when something in it is none. */
export function timesIn(text: string): number[] | null {
  const parts = text.split(/[,;\s]+/).filter((part) => part !== '');
  const times = parts.map((part) => {
    const [, hour = '', minute = ''] = /^(\d{1,2})[:.](\d{2})$/.exec(part) ?? [];
    return hour !== '' && Number(hour) < 24 && Number(minute) < 60
      ? Number(hour) * 60 + Number(minute)
      : null;
  });
  return times.every((time) => time !== null) ? [...new Set(times)] : null;
}
