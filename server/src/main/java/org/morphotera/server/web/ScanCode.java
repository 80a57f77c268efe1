package org.morphotera.server.web;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/** Codes to scan, drawn: one stroke for each run of dark squares. */
public final class ScanCode {

    private ScanCode() {}

    /**
     * @param size of a side, in the units of the drawing around it
     * @return SVG
     */
    public static String svg(String code, int size) {
        try {
            BitMatrix bits = new QRCodeWriter()
                    .encode(
                            code,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, 4));
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < bits.getHeight(); y++) {
                for (int x = 0; x < bits.getWidth(); x++) {
                    if (bits.get(x, y)) {
                        int from = x;
                        while (x < bits.getWidth() && bits.get(x, y)) {
                            x++;
                        }
                        path.append('M')
                                .append(from)
                                .append(' ')
                                .append(y)
                                .append('h')
                                .append(x - from);
                        path.append("v1h").append(from - x).append('z');
                    }
                }
            }
            int side = bits.getWidth();
            return "<svg xmlns='http://www.w3.org/2000/svg' width='" + size + "' height='" + size + "' viewBox='0 0 "
                    + side + " " + side
                    + "'><rect width='" + side + "' height='" + side + "' fill='#ffffff'/><path d='" + path
                    + "' fill='#000000'/></svg>";
        } catch (WriterException e) {
            throw new IllegalStateException(e);
        }
    }
}
