package rovek.server.people.policy;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/policies")
class PolicyController {

    private final Policies rules;

    PolicyController(Policies rules) {
        this.rules = rules;
    }

    @GetMapping
    Policies.Rules now() {
        return rules.now();
    }

    @PutMapping
    Policies.Rules put(@RequestBody Policies.Rules wanted) {
        return rules.put(wanted);
    }
}
