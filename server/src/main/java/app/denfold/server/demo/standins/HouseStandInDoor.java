package app.denfold.server.demo.standins;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;

/** Leaves the stand-in for the house's directory open, as the directory itself is. */
@Configuration
@Profile("demo")
class HouseStandInDoor {

    @Bean
    @Order(1)
    SecurityFilterChain standIn(HttpSecurity http) throws Exception {
        return http.securityMatcher(HouseStandIn.PATH + "/**")
                .csrf(csrf -> csrf.disable())
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .build();
    }
}
