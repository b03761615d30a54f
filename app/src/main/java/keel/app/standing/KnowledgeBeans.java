package keel.app.standing;

import keel.core.diagnosis.Odds;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.knowledge.Recoveries;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

@Configuration(proxyBeanMethods = false)
class KnowledgeBeans {

    @Bean
    Knowledge knowledge() {
        return KnowledgeFiles.shipped();
    }

    @Bean
    Odds odds(Knowledge knowledge) {
        return Odds.shipped(knowledge);
    }

    @Bean
    Recoveries recoveries(Knowledge knowledge) {
        return Recoveries.shipped(knowledge);
    }
}
