import { saveAs } from 'file-saver';

/** Hands a text to the browser as a file to keep. */
export const saveFile = (name: string, text: string, type: string) =>
  saveAs(new Blob([text], { type: `${type};charset=utf-8` }), name);
