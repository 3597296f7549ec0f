package rovek.server.people.policy;

import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/rules")
class RuleController {

    private final HouseRules rules;

    RuleController(HouseRules rules) {
        this.rules = rules;
    }

    @GetMapping
    HouseRules.Rules now() {
        return rules.now();
    }

    @PutMapping
    HouseRules.Rules put(@RequestBody HouseRules.Rules wanted) {
        return rules.put(wanted);
    }
}
