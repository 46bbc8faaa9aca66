import QRCode from 'qrcode';
import { CODE_LEVEL, rowsOfModules, type CodeOf } from '@/core/pages/ink';

/** The modules of a QR code. */
export const codeOf: CodeOf = (text) =>
  rowsOfModules(QRCode.create(text, { errorCorrectionLevel: CODE_LEVEL }).modules);
