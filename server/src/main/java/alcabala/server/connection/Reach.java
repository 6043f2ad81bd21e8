package alcabala.server.connection;

import alcabala.connectors.UnreachableException;
import alcabala.connectors.spi.Gate;
import alcabala.server.platform.NotPossibleException;
import alcabala.server.platform.Settings;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/// Where outside systems may be. Nobody reaches inside by an address that somebody typed: it is looked at when it is
/// typed and again before each request, by what it resolves to. Public addresses over https, and beside them only what
/// whoever runs this installation allows by name or number.
@Component
public class Reach implements Gate {
    private final Set<String> allowed;

    Reach(Settings settings) {
        allowed = Stream.of((settings.reach() == null ? "" : settings.reach()).split("[,\\s]+"))
                .filter(each -> !each.isEmpty())
                .collect(Collectors.toSet());
    }

    /// @return the address without a slash at its end
    /// @throws NotPossibleException with what is wrong with it
    public String typed(String address) {
        String trimmed = address == null ? "" : address.strip().replaceAll("/+$", "");
        findFault(trimmed).ifPresent(fault -> {
            throw NotPossibleException.invalid("address-invalid", fault);
        });
        return trimmed;
    }

    @Override
    public void pass(URI address) {
        findFault(address.toString()).ifPresent(fault -> {
            throw new UnreachableException(address.getHost(), fault, null);
        });
    }

    private Optional<String> findFault(String address) {
        URI uri;
        try {
            uri = new URI(address);
        } catch (URISyntaxException e) {
            return Optional.of("“" + address + "” is not an address, such as https://books.example.org.");
        }
        String host = uri.getHost();
        if (host == null
                || uri.getScheme() == null
                || uri.getRawUserInfo() != null
                || uri.getRawQuery() != null
                || uri.getRawFragment() != null) {
            return Optional.of(
                    "“" + address + "” is not the plain address of a system, such as https://books.example.org.");
        }
        if (allowed.contains(host)) {
            return uri.getScheme().matches("https?") ? Optional.empty() : Optional.of("Systems are reached by https.");
        }
        if (!uri.getScheme().equals("https")) {
            return Optional.of("Systems are reached by https; " + host + " is not one that may be reached otherwise.");
        }
        return findFaultOf(host);
    }

    private Optional<String> findFaultOf(String host) {
        try {
            for (InetAddress each : InetAddress.getAllByName(host)) {
                if (isInside(each) && !allowed.contains(each.getHostAddress())) {
                    return Optional.of(host + " is an address inside, which may not be reached from here.");
                }
            }
            return Optional.empty();
        } catch (UnknownHostException e) {
            return Optional.of("Nobody knows where " + host + " is.");
        }
    }

    /// This machine, its network, or no address of one machine: RFC 1918, 2544, 3927, 4193, 4291, 5771, 6598 and 6890.
    /// An
    /// address of version 6 that leads to one of version 4 (RFC 3056, 6052) is what that is.
    static boolean isInside(InetAddress address) {
        byte[] bytes = address.getAddress();
        return address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || address.isSiteLocalAddress()
                || address.isLinkLocalAddress()
                || address.isMulticastAddress()
                || (bytes.length == 4 ? isInside4(bytes) : isInside6(bytes));
    }

    private static boolean isInside4(byte[] bytes) {
        int first = bytes[0] & 0xff;
        int second = bytes[1] & 0xff;
        return first == 0
                || first >= 240
                || (first == 100 && (second & 0xc0) == 64)
                || (first == 198 && (second & 0xfe) == 18)
                || (first == 192 && second == 0 && bytes[2] == 0);
    }

    private static boolean isInside6(byte[] bytes) {
        if ((bytes[0] & 0xfe) == 0xfc) {
            return true;
        }
        boolean translated =
                bytes[0] == 0 && bytes[1] == 0x64 && (bytes[2] & 0xff) == 0xff && (bytes[3] & 0xff) == 0x9b;
        boolean tunnelled = bytes[0] == 0x20 && bytes[1] == 2;
        int from = translated ? 12 : 2;
        return (translated || tunnelled) && isInside(address(Arrays.copyOfRange(bytes, from, from + 4)));
    }

    private static InetAddress address(byte[] bytes) {
        try {
            return InetAddress.getByAddress(bytes);
        } catch (UnknownHostException e) {
            throw new IllegalStateException("four bytes are an address", e);
        }
    }
}
