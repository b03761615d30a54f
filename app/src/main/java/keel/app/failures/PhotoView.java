package keel.app.failures;

/** A photo with its size in pixels. */
public record PhotoView(long id, int width, int height, String caption) {}
