/** What is kept of a JPEG file (ITU-T T.81 annex B): the picture, not what a camera writes beside it. */
import { expect } from 'chai';
import fc from 'fast-check';
import { bareJpeg } from '../../core/formats/index.ts';
import { jpegOf } from '../picture.ts';

const has = (bytes: Uint8Array, words: string): boolean => Buffer.from(bytes).includes(words);

describe('a photo laid bare', () => {
  it('keeps size, tables, scan and JFIF, and loses place, comment and trailer', () => {
    const bare = bareJpeg(jpegOf());
    if (!bare.ok) throw new Error(bare.error);
    expect([bare.value.width, bare.value.height]).to.deep.equal([12, 8]);
    for (const gone of ['GPS', 'somebody', 'trailer']) expect(has(bare.value.bytes, gone), gone).to.equal(false);
    expect(has(bare.value.bytes, 'JFIF')).to.equal(true);
    expect([...bare.value.bytes.slice(-10)]).to.deep.equal([0x12, 0x34, 0xff, 0, 0x56, 0xff, 0xd0, 0x78, 0xff, 0xd9]);
  });
  it('is the same when it is laid bare again', () => {
    const once = bareJpeg(jpegOf());
    expect(once.ok && bareJpeg(once.value.bytes)).to.deep.equal(once);
  });
  it('refuses what is no picture, and every one that is cut short', () => {
    expect(bareJpeg(new Uint8Array())).to.deep.equal({ ok: false, error: 'not-jpeg' });
    expect(bareJpeg(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).to.deep.equal({ ok: false, error: 'not-jpeg' });
    const whole = jpegOf();
    const end = whole.length - 'and a trailer'.length;
    for (let n = 0; n < end; n++) expect(bareJpeg(whole.slice(0, n)).ok, `${n} bytes`).to.equal(false);
  });
  it('comes to an end on any bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 200 }), (tail) => {
        const out = bareJpeg(Uint8Array.from([0xff, 0xd8, ...tail]));
        expect(out.ok ? out.value.bytes.length : 0).to.be.at.most(tail.length + 2);
      }),
      { numRuns: 3000, seed: 5 },
    );
  });
});
