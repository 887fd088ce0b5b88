#include "core/base/dense.h"

#include <Eigen/Cholesky>
#include <Eigen/Eigenvalues>
#include <Eigen/LU>

namespace wl {

namespace {

using Matrix6 = Eigen::Matrix<double, 6, 6>;
using Complex6 = Eigen::Matrix<std::complex<double>, 6, 1>;

}  // namespace

Spectrum6 spectrumOf(const Matrix6& matrix) {
    const Eigen::EigenSolver<Matrix6> solver(matrix);
    return {solver.eigenvalues(), solver.eigenvectors()};
}

Complex6 rootsOf(const Matrix6& matrix) {
    return Eigen::EigenSolver<Matrix6>(matrix, false).eigenvalues();
}

Complex6 solved(const Eigen::Matrix<std::complex<double>, 6, 6>& a, const Complex6& b) {
    return a.partialPivLu().solve(b);
}

Eigen::VectorXd solvedSymmetric(const Eigen::MatrixXd& a, const Eigen::VectorXd& b) {
    return a.ldlt().solve(b);
}

Eigen::VectorXd leastSquares(const Eigen::MatrixXd& terms, const Eigen::VectorXd& values) {
    return solvedSymmetric(turnedProduct(terms, terms), terms.transpose() * values);
}

Eigen::MatrixXd inverseOf(const Eigen::MatrixXd& matrix) {
    return matrix.inverse();
}

Eigen::MatrixXd product(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b) {
    return a * b;
}

Eigen::MatrixXd turnedProduct(const Eigen::MatrixXd& a, const Eigen::MatrixXd& b) {
    return a.transpose() * b;
}

}  // namespace wl
