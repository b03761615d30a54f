package keel.app.support;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Does one thing several times at the same moment. */
public final class AtOnce {

    private AtOnce() {}

    /** What each answered; one that threw answers its exception. */
    public static List<Object> times(int times, Callable<?> what) throws InterruptedException {
        ExecutorService people = Executors.newFixedThreadPool(times);
        CyclicBarrier together = new CyclicBarrier(times);
        List<Future<Object>> all = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            all.add(people.submit(() -> {
                together.await();
                return what.call();
            }));
        }
        List<Object> answers = new ArrayList<>();
        for (Future<Object> one : all) {
            try {
                answers.add(one.get());
            } catch (ExecutionException e) {
                answers.add(e.getCause());
            }
        }
        people.shutdown();
        return answers;
    }
}
