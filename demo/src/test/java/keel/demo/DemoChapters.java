package keel.demo;

import org.springframework.context.annotation.Import;

/** All that enters a story, for tests outside the demo. */
@Import({
    Replay.class,
    Telling.class,
    StoryKeys.class,
    PrintsChapter.class,
    FailuresChapter.class,
    BenchChapter.class,
    StoresChapter.class,
    AirChapter.class
})
class DemoChapters {}
