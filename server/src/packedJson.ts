// A long answer that everybody is given alike: written out and compressed once, as it goes over the network.
import { promisify } from 'node:util';
import { gunzip, gzip } from 'node:zlib';

const compress = promisify(gzip);
const expand = promisify(gunzip);

export class PackedJson {
  private constructor(readonly gzip: Buffer) {}

  static async of(answer: object): Promise<PackedJson> {
    return new PackedJson(await compress(JSON.stringify(answer)));
  }

  /** For whoever does not take it compressed. */
  plain = (): Promise<Buffer> => expand(this.gzip);
}
