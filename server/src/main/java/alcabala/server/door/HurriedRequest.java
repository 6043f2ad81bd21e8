package alcabala.server.door;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.IOException;
import java.time.Duration;

/// A request whose body is read as it comes, up to a size and within a time.
final class HurriedRequest extends HttpServletRequestWrapper {
    private final long most;
    private final long end;

    HurriedRequest(HttpServletRequest request, long most, Duration time) {
        super(request);
        this.most = most;
        this.end = System.nanoTime() + time.toNanos();
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        ServletInputStream in = super.getInputStream();
        return new ServletInputStream() {
            private long read;

            @Override
            public int read() throws IOException {
                return counted(in.read(), 1);
            }

            @Override
            public int read(byte[] into, int from, int length) throws IOException {
                int count = in.read(into, from, length);
                return counted(count, Math.max(count, 0));
            }

            private int counted(int result, int bytes) throws IOException {
                read += bytes;
                if (read > most) {
                    throw new IOException("more than " + most + " bytes");
                }
                if (System.nanoTime() - end > 0) {
                    throw new TooSlowException();
                }
                return result;
            }

            @Override
            public boolean isFinished() {
                return in.isFinished();
            }

            @Override
            public boolean isReady() {
                return in.isReady();
            }

            @Override
            public void setReadListener(ReadListener listener) {
                in.setReadListener(listener);
            }
        };
    }
}
