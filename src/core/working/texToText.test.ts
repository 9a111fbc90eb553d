import { describe, expect, it } from 'vitest';
import { texToText } from './texToText';

describe('a formula as one line of text', () => {
  it.each([
    ['t = b k_C \\sqrt{\\frac{P k_2}{\\sigma_d}}', 't = b kC √((P k2)/σd)'],
    // A command needs no braces to stand below or above.
    ['k_\\sigma', 'kσ'],
    ['k_\\tau\\,\\tau_u', 'kτ τu'],
    ['53^\\circ', '53°'],
    ['53^{\\circ}', '53°'],
    ['\\frac\\pi2', 'π/2'],
    ['\\sqrt[3]{E_f E_c G_c}', '∛(Ef Ec Gc)'],
    ['(a + b)^{n+1}', '(a + b)^(n+1)'],
    ['x^2 y_{12}', 'x² y12'],
  ])('%s', (tex, text) => expect(texToText(tex)).toBe(text));
});
