package alcabala.server.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.security.crypto.encrypt.AesGcmBytesEncryptor;
import org.springframework.security.crypto.encrypt.BytesEncryptor;
import org.springframework.stereotype.Component;

/// Seals secrets before they are kept: AES-256 in GCM, each under a nonce of its own. The key comes from a file or the
/// environment and is never kept in the database. The key before it opens too, while one is named.
@Component
public class Seal {
    private static final int KEY_BYTES = 32;
    private final BytesEncryptor cipher;
    private final Optional<BytesEncryptor> before;

    Seal(Settings settings) {
        String key = isSet(settings.key()) ? settings.key() : readFile(settings.keyFile());
        String old = isSet(settings.keyBefore()) || !isSet(settings.keyBeforeFile())
                ? settings.keyBefore()
                : readFile(settings.keyBeforeFile());
        cipher = cipher(key);
        before = isSet(old) ? Optional.of(cipher(old)) : Optional.empty();
    }

    private static BytesEncryptor cipher(String key) {
        return AesGcmBytesEncryptor.withSecretKey(new SecretKeySpec(decode(key), "AES"))
                .build();
    }

    public byte[] seal(String secret) {
        return cipher.encrypt(secret.getBytes(StandardCharsets.UTF_8));
    }

    /// Empty when it was sealed with another key, was tampered with, or is no seal of ours at all.
    public Optional<String> open(byte[] sealed) {
        return open(cipher, sealed).or(() -> before.flatMap(old -> open(old, sealed)));
    }

    /// Under the present key, what only the one before opens; empty when there is nothing to do or nothing to be done.
    public Optional<byte[]> sealAnew(byte[] sealed) {
        return open(cipher, sealed).isPresent()
                ? Optional.empty()
                : open(sealed).map(this::seal);
    }

    private static Optional<String> open(BytesEncryptor with, byte[] sealed) {
        try {
            return Optional.of(new String(with.decrypt(sealed), StandardCharsets.UTF_8));
        } catch (IllegalStateException | IllegalArgumentException | IndexOutOfBoundsException e) {
            return Optional.empty();
        }
    }

    private static byte[] decode(String text) {
        byte[] key;
        try {
            key = Base64.getDecoder().decode(text.strip());
        } catch (IllegalArgumentException e) {
            throw new IllegalStateException("the key to seal secrets with is not Base64", e);
        }
        if (key.length != KEY_BYTES) {
            throw new IllegalStateException(
                    "the key to seal secrets with has " + key.length + " bytes; " + KEY_BYTES + " are needed");
        }
        return key;
    }

    private static String readFile(String file) {
        if (!isSet(file)) {
            throw new IllegalStateException(
                    "a key to seal secrets with is needed: 32 random bytes in Base64, in ALCABALA_KEY or in a file that ALCABALA_KEY_FILE names");
        }
        try {
            return Files.readString(Path.of(file));
        } catch (IOException e) {
            throw new UncheckedIOException("the key file " + file + " cannot be read", e);
        }
    }

    private static boolean isSet(String text) {
        return text != null && !text.isBlank();
    }
}
