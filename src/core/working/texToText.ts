const GREEK: Record<string, string> = {
  alpha: 'α',
  beta: 'β',
  sigma: 'σ',
  tau: 'τ',
  nu: 'ν',
  rho: 'ρ',
  psi: 'ψ',
  phi: 'φ',
  varphi: 'φ',
  theta: 'θ',
  eta: 'η',
  xi: 'ξ',
  varepsilon: 'ε',
  epsilon: 'ε',
  kappa: 'κ',
  Delta: 'Δ',
  Sigma: 'Σ',
  sum: 'Σ',
  cdot: '·',
  times: '×',
  le: '≤',
  ge: '≥',
  max: 'max',
  min: 'min',
  circ: '°',
  pm: '±',
  quad: ' ',
  qquad: ' ',
  ',': ' ',
  left: '',
  right: '',
  bar: '',
  ';': ' ',
  cos: 'cos',
  sin: 'sin',
  infty: '∞',
  lvert: '|',
  rvert: '|',
  gamma: 'γ',
  pi: 'π',
};
const SUPERSCRIPT: Record<string, string> = { '0': '⁰', '1': '¹', '2': '²', '3': '³', '4': '⁴' };

/** Text of the braced group, the command or the character that starts at `start`, and the index after it. */
function group(tex: string, start: number): [string, number] {
  const command = /^\\[A-Za-z]+/.exec(tex.slice(start))?.[0];
  if (command) return [command, start + command.length];
  if (tex[start] !== '{') return [tex[start] ?? '', start + 1];
  let depth = 0;
  for (let i = start; i < tex.length; i++) {
    if (tex[i] === '{') depth++;
    if (tex[i] === '}' && --depth === 0) return [tex.slice(start + 1, i), i + 1];
  }
  return [tex.slice(start + 1), tex.length];
}

const wrap = (text: string) => (/^[\p{L}\p{N}.,₀-₉]+$/u.test(text) ? text : `(${text})`);

/**
 * A formula of the workings (the small TeX subset they use) as one line of plain text, for prints and CSV.
 * Handles fractions, roots, sub- and superscripts, Greek letters and text; braces vanish.
 *
 * @example texToText('t = b k_C \\sqrt{\\frac{P k_2}{\\sigma_d}}') // 't = b kC √((P k2)/σd)'
 */
export function texToText(tex: string): string {
  let out = '';
  for (let i = 0; i < tex.length;) {
    const character = tex[i]!;
    if (character === '\\') {
      const name = /^\\([A-Za-z]+|[,;])/.exec(tex.slice(i))?.[1] ?? '';
      i += 1 + name.length;
      if (name === 'frac' || name === 'tfrac') {
        const [over, next] = group(tex, i);
        const [under, end] = group(tex, next);
        out += `${wrap(texToText(over))}/${wrap(texToText(under))}`;
        i = end;
      } else if (name === 'sqrt') {
        let root = '√';
        if (tex[i] === '[') {
          const close = tex.indexOf(']', i);
          root = tex.slice(i + 1, close) === '3' ? '∛' : '√';
          i = close + 1;
        }
        const [body, end] = group(tex, i);
        out += `${root}(${texToText(body)})`;
        i = end;
      } else if (name === 'text' || name === 'mathrm' || name === 'bar' || name === 'mathbf') {
        const [body, end] = group(tex, i);
        out += texToText(body);
        i = end;
      } else {
        out += GREEK[name] ?? name;
        if (tex[i] === ' ') i++;
      }
    } else if (character === '^' || character === '_') {
      const [body, end] = group(tex, i + 1);
      const text = texToText(body);
      if (character === '_') out += text;
      else out += SUPERSCRIPT[text] ?? (text === '°' ? text : `^${wrap(text)}`);
      i = end;
    } else {
      if (character !== '{' && character !== '}') out += character;
      i++;
    }
  }
  return out.replace(/ {2,}/g, ' ').trim();
}
