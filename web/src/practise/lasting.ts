/** Seconds as people say them: `45 s`, `2 min 5 s`, `1 h 3 min`. */
export function lasting(seconds: number): string {
  const hours = Math.floor(seconds / 3600);
  const minutes = Math.floor((seconds % 3600) / 60);
  if (hours > 0) {
    return `${hours} h ${minutes} min`;
  }
  return minutes > 0 ? `${minutes} min ${seconds % 60} s` : `${seconds} s`;
}
