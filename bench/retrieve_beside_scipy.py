#!/usr/bin/python3
"""The retrieve of the shipped diver, worked out here by SciPy from the same equations.

    bench/retrieve_beside_scipy.py build/bench/wl_retrieve_case

Needs python3-scipy. Tells both times and how far the two ways lie apart. The equations are those
of docs/theory.md: line by solve_ivp, attitude by brentq, speed and path at each place
by fsolve, the bait stepped in by hundredths of the cast.
"""
import json
import math
import subprocess
import sys
import time

import numpy as np
from scipy.integrate import solve_ivp
from scipy.interpolate import interp1d
from scipy.optimize import brentq, fsolve

GRAVITY = 9.80665


class Retrieve:
    def __init__(self, case):
        self.case = case
        self.line = case["line"]
        table = np.array(case["loads_aft_up_m2_moment_m3"])
        self.loads = interp1d(np.linspace(-math.pi, math.pi, len(table)), table, axis=0)

    def pull(self, speed, path, near):
        """Attitude, tension and line angle of a steady tow, from the attitude nearest `near`."""
        c = self.case
        q = 0.5 * c["water_kg_m3"] * speed**2
        lift = c["water_kg_m3"] * c["displaced_m3"] * GRAVITY
        weight = c["mass_kg"] * GRAVITY

        def forces(alpha):
            pitch = alpha - path
            aft, up, moment = q * self.loads(alpha)
            up_x, up_z = -math.sin(pitch), math.cos(pitch)
            arm = lambda at, fx, fz: at[1] * fx - at[0] * fz
            fx, fz = aft + (lift - weight) * up_x, up + (lift - weight) * up_z
            turn = (moment + arm(c["centre_of_buoyancy_m"], lift * up_x, lift * up_z)
                    - arm(c["centre_of_gravity_m"], weight * up_x, weight * up_z)
                    - arm(c["tie_m"], fx, fz))
            return turn, fx, fz, pitch

        step = math.radians(1)
        while True:
            low, high = near - step, near + step
            if forces(low)[0] > 0 >= forces(high)[0]:
                break
            step *= 1.5
            if step > 1.5:
                return None
        alpha = brentq(lambda a: forces(a)[0], low, high, xtol=1e-13)
        _, fx, fz, pitch = forces(alpha)
        to_rod = -fx * math.cos(pitch) - fz * math.sin(pitch)
        down = fx * math.sin(pitch) - fz * math.cos(pitch)
        return alpha, math.hypot(to_rod, down), math.atan2(down, -to_rod)

    def line_end(self, tension, angle, length, depth, at_bait, turn):
        line = self.line
        half = 0.5 * self.case["water_kg_m3"] * line["diameter_m"]

        def slope(_, y):
            t = y[2:] / np.hypot(y[2], y[3])
            v = at_bait + turn @ y[:2]
            along, across = v @ t, v[1] * t[0] - v[0] * t[1]
            reynolds = max(abs(across) * line["diameter_m"] / line["viscosity_m2_s"], 1e-6)
            drag = line["strumming"] * (line["far"] + line["slow"] * reynolds ** (-2 / 3))
            normal = half * drag * abs(across) * across
            tangent = half * math.pi * line["tangential"] * abs(along) * along
            return [t[0], t[1], tangent * t[0] - normal * t[1],
                    tangent * t[1] + normal * t[0] - line["weight_N_m"]]

        surface = lambda _, y: depth + y[1]
        surface.terminal, surface.direction = True, -1
        start = [0, 0, tension * math.cos(angle), -tension * math.sin(angle)]
        ran = solve_ivp(slope, (0, length), start, rtol=1e-9, atol=1e-12, events=surface)
        y, rest = ran.y[:, -1], length - ran.t[-1]
        if rest > 0:
            hang = y[2:] - [0, 0.5 * line["air_weight_N_m"] * rest]
            return y[:2] + rest * hang / np.hypot(*hang)
        return y[:2]

    def gap(self, unknowns, place, alpha):
        speed, path = math.exp(unknowns[0]), unknowns[1]
        trim = self.pull(speed, path, alpha)
        velocity = speed * complex(-math.cos(path), math.sin(path))
        mu = velocity / place
        if trim is None or mu.real >= -1e-9:
            return [1.0, 1.0]
        length = min(self.case["reel_m_s"] / -mu.real, 4 * abs(place) + 1)
        end = self.line_end(trim[1], trim[2], length, place.imag - self.case["rod_tip_m"],
                            np.array([-velocity.real, velocity.imag]),
                            np.array([[mu.real, mu.imag], [-mu.imag, mu.real]]))
        tip = place + complex(-end[0], end[1])
        return [tip.real / abs(place), tip.imag / abs(place)]

    def run(self):
        c = self.case
        height, cast = c["rod_tip_m"], c["cast_m"]
        down = height + c["start_depth_m"]
        away = math.sqrt(cast**2 - down**2)
        alpha, _, angle = self.pull(c["reel_m_s"], 0.0, c["start_alpha_rad"])
        x = np.array([math.log(c["reel_m_s"]), angle - math.atan2(down, away)])
        step, last, points = 0.01 * cast, None, []
        while away > 0.03 * cast and down > height:
            place = complex(away, down)
            x, _, found, why = fsolve(self.gap, x, (place, alpha), full_output=True, xtol=1e-11)
            if found != 1 and max(map(abs, self.gap(x, place, alpha))) > 1e-6:
                raise RuntimeError(f"no match {away:.2f} m from the rod: {why}")
            alpha, tension, _ = self.pull(math.exp(x[0]), x[1], alpha)
            points.append((away, down - height, tension))
            steered = x[1] if last is None else x[1] + 0.5 * (x[1] - last)
            last = x[1]
            away -= step * math.cos(steered)
            down += step * math.sin(steered)
        return np.array(points)


def main():
    if len(sys.argv) != 2:
        sys.exit(__doc__)
    case = json.loads(subprocess.run([sys.argv[1]], check=True, capture_output=True).stdout)
    began = time.perf_counter()
    points = Retrieve(case).run()
    took_ms = 1000 * (time.perf_counter() - began)
    ours = np.array(case["path_from_rod_depth_m_tension_N"])
    ours = ours[ours[:, 1] > 0][:len(points)]
    apart = np.abs(ours - points[:len(ours)])
    print(f"here:  {case['took_ms']:8.2f} ms, deepest {case['deepest_m']:.7f} m; "
          f"the line in small steps {case['deepest_in_small_steps_m']:.7f} m")
    print(f"SciPy: {took_ms:8.0f} ms, deepest {points[:, 1].max():.7f} m")
    print(f"small steps and SciPy apart over {len(ours)} places: depth {apart[:, 1].max():.1e} m, "
          f"pull {(apart[:, 2] / points[:len(ours), 2]).max():.1e} of itself")
    if len(ours) < 50 or apart[:, 1].max() > 1e-6:
        sys.exit("they differ")


if __name__ == "__main__":
    main()
