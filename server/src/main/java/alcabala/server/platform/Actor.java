package alcabala.server.platform;

/// Somebody who does things, as the trail names her.
public interface Actor {
    long id();

    String name();
}
