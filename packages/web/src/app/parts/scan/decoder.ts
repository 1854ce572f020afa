/** Where the reader lies; its version is in the name, see `scripts/lib/public-files.mjs`. */
const READER = '/codes-3.1.6/zxing_reader.wasm';

type Reader = (image: ImageData) => Promise<string | undefined>;
let loading: Promise<Reader> | undefined;

/** Reads the code in a picture, on this device; loaded when first asked. */
export function codeReader(): Promise<Reader> {
  loading ??= load();
  loading.catch(() => (loading = undefined));
  return loading;
}

async function load(): Promise<Reader> {
  const { prepareZXingModule, readBarcodes } = await import('zxing-wasm/reader');
  await prepareZXingModule({ overrides: { locateFile: () => READER }, fireImmediately: true });
  return async (image) => {
    const [code] = await readBarcodes(image, { formats: ['QRCode'], tryHarder: true, maxNumberOfSymbols: 1 });
    return code?.isValid ? code.text : undefined;
  };
}
