package alcabala.server.access;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;

/// Random words that open something, and how they are kept.
final class Tokens {
    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Tokens() {}

    static String fresh() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    static boolean isOne(String text) {
        return text.matches("[A-Za-z0-9_-]{43}");
    }

    /// Only this is kept.
    static byte[] hash(String token) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every JDK has SHA-256", e);
        }
    }

    /// Without telling by its time how much of it is right.
    static boolean same(String one, String other) {
        return MessageDigest.isEqual(hash(one), hash(other));
    }
}
