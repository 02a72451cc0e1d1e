/** So many of something, as a sentence begins. @example counted(1, "sample cart") // "One sample cart"; counted(3, "text") // "3 texts" */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  count === 1 ? `One ${one}` : `${count} ${many}`;
