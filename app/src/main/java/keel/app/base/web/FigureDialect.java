package keel.app.base.web;

import java.util.Set;
import keel.app.base.Figures;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.IExpressionContext;
import org.thymeleaf.dialect.AbstractDialect;
import org.thymeleaf.dialect.IExpressionObjectDialect;
import org.thymeleaf.expression.IExpressionObjectFactory;

/** {@code #fig} in templates: attributes of drawings may not name a bean, but an object of expressions. */
@Component
class FigureDialect extends AbstractDialect implements IExpressionObjectDialect {

    private static final String NAME = "fig";

    private final Figures figures;

    FigureDialect(Figures figures) {
        super("figures");
        this.figures = figures;
    }

    @Override
    public IExpressionObjectFactory getExpressionObjectFactory() {
        return new IExpressionObjectFactory() {

            @Override
            public Set<String> getAllExpressionObjectNames() {
                return Set.of(NAME);
            }

            @Override
            public Object buildObject(IExpressionContext context, String name) {
                return NAME.equals(name) ? figures : null;
            }

            @Override
            public boolean isCacheable(String name) {
                return true;
            }
        };
    }
}
