package alcabala.server.record;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/// SHA-256 of received bytes.
public final class Hashes {
    private Hashes() {}

    public static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every JDK has SHA-256", e);
        }
    }

    public static String hex(byte[] bytes) {
        return HexFormat.of().formatHex(sha256(bytes));
    }
}
