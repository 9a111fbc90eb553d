/** A short mark of a long text (the sum of the JDK's string, over two lanes): equal texts have equal marks. */
export function shortMark(text: string): string {
  let [a, b] = [0, 7];
  for (let i = 0; i < text.length; i++) {
    a = (Math.imul(a, 31) + text.charCodeAt(i)) | 0;
    b = (Math.imul(b, 131) + text.charCodeAt(i)) | 0;
  }
  return `${text.length}.${a >>> 0}.${b >>> 0}`;
}
