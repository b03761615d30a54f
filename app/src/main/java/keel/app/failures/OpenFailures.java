package keel.app.failures;

import java.util.List;
import keel.app.base.Paging;
import keel.app.standing.OpenCases;
import org.springframework.stereotype.Service;

/** What the bench asks of the failures: which are still open. */
@Service
class OpenFailures implements OpenCases {

    private static final Paging LATEST = Paging.of(0, 12);

    private final Failures failures;

    OpenFailures(Failures failures) {
        this.failures = failures;
    }

    @Override
    public List<OpenCase> of(String machine) {
        return failures.list(machine, true, LATEST).stream()
                .map(f -> new OpenCase(f.id(), f.seenAt(), f.job()))
                .toList();
    }
}
