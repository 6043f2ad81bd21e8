package alcabala.server;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/// What lies between a server and its database: it can be cut, frozen and mended.
public final class Wire implements AutoCloseable {
    private static final int CHUNK = 16 * 1024;
    private final int target;
    private final int port;
    private final Set<Socket> sockets = ConcurrentHashMap.newKeySet();
    private final Object thaw = new Object();
    private ServerSocket door;
    private boolean frozen;

    public Wire(int target) {
        this.target = target;
        door = open(0);
        port = door.getLocalPort();
        accept(door);
    }

    public int port() {
        return port;
    }

    /// Connections break, and no new one can be had.
    public synchronized void cut() {
        close(door);
        sockets.forEach(Wire::close);
        sockets.clear();
    }

    public synchronized void mend() {
        door = open(port);
        accept(door);
    }

    /// Nothing breaks, and nothing comes through either.
    public void freeze() {
        synchronized (thaw) {
            frozen = true;
        }
    }

    public void thaw() {
        synchronized (thaw) {
            frozen = false;
            thaw.notifyAll();
        }
    }

    private static ServerSocket open(int port) {
        try {
            ServerSocket socket = new ServerSocket();
            socket.setReuseAddress(true);
            socket.bind(new java.net.InetSocketAddress(InetAddress.getLoopbackAddress(), port));
            return socket;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void accept(ServerSocket at) {
        Thread.ofVirtual().start(() -> {
            try {
                while (true) {
                    Socket near = at.accept();
                    Socket far = new Socket(InetAddress.getLoopbackAddress(), target);
                    sockets.add(near);
                    sockets.add(far);
                    Thread.ofVirtual().start(() -> carry(near, far));
                    Thread.ofVirtual().start(() -> carry(far, near));
                }
            } catch (IOException cut) {
                close(at);
            }
        });
    }

    private void carry(Socket from, Socket to) {
        byte[] chunk = new byte[CHUNK];
        try {
            InputStream in = from.getInputStream();
            OutputStream out = to.getOutputStream();
            for (int count = in.read(chunk); count >= 0; count = in.read(chunk)) {
                waitWhileFrozen();
                out.write(chunk, 0, count);
            }
        } catch (IOException broken) {
            // The other half is closed below.
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        close(from);
        close(to);
    }

    private void waitWhileFrozen() throws InterruptedException {
        synchronized (thaw) {
            while (frozen) {
                thaw.wait();
            }
        }
    }

    private static void close(AutoCloseable each) {
        try {
            each.close();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        cut();
        thaw();
    }
}
