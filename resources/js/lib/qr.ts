import QRCode from 'qrcode';

/** The code of an address, drawn: the path of its dark squares, and how many squares it is wide, with the quiet rim it needs. */
export function qr(address: string): { path: string; size: number } {
    const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' });
    const rim = 2;
    let path = '';
    for (let y = 0; y < modules.size; y++) {
        for (let x = 0; x < modules.size; x++) {
            if (modules.get(y, x)) {
                path += `M${String(x + rim)} ${String(y + rim)}h1v1h-1z`;
            }
        }
    }
    return { path, size: modules.size + 2 * rim };
}
