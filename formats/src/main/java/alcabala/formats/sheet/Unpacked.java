package alcabala.formats.sheet;

import java.io.IOException;
import java.io.InputStream;
import java.util.Collections;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;

/// What a packed file comes to, found by unpacking it: what it says of its own size may be a lie.
public final class Unpacked {
    private static final long LARGEST = 400L * 1024 * 1024;
    private static final int MOST_PARTS = 1_000;

    private Unpacked() {}

    /// Whether it is no more than a workbook of people comes to.
    public static boolean isModest(byte[] content) throws IOException {
        long size = 0;
        int parts = 0;
        byte[] buffer = new byte[65_536];
        try (ZipFile zip = ZipFile.builder().setByteArray(content).get()) {
            for (ZipArchiveEntry part : Collections.list(zip.getEntries())) {
                if (++parts > MOST_PARTS) {
                    return false;
                }
                try (InputStream in = zip.getInputStream(part)) {
                    for (int read = in.read(buffer); read > 0; read = in.read(buffer)) {
                        size += read;
                        if (size > LARGEST) {
                            return false;
                        }
                    }
                }
            }
        }
        return true;
    }
}
